-- A mixing may fill several molds; then it has no tree of its own and each of its trees freezes its plan here.
alter table mix_session alter column tree_id drop not null;
alter table mix_session add column title text not null default '';

create table mix_session_tree (
  mix_session_id bigint not null references mix_session,
  tree_id bigint not null references tree,
  plan json not null,
  primary key (mix_session_id, tree_id)
);
create index mix_session_tree_of_tree on mix_session_tree (tree_id);

-- The stand-in for a vacuum gauge: its pump, its gasket, and a leak.
create table device_gauge (
  studio_id bigint primary key references studio,
  pump_on boolean not null,
  seals boolean not null,
  leaks boolean not null,
  from_kpa double precision not null,
  since timestamptz not null
);

-- A mold weighed again while it dries.
create table mold_weighing (
  id bigint generated always as identity primary key,
  tree_id bigint not null references tree,
  studio_id bigint not null references studio,
  mass_g double precision not null,
  filled boolean not null,
  account_id bigint not null references account,
  at timestamptz not null
);
create index mold_weighing_of_tree on mold_weighing (tree_id, at);
