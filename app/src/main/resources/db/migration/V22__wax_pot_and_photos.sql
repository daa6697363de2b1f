-- Photos of a mold of rubber and of a wax.
alter table photo add column rubber_mold_id bigint references rubber_mold;
create index photo_of_rubber_mold on photo (rubber_mold_id);
alter table photo add column wax_id bigint references wax;
create index photo_of_wax on photo (wax_id);

-- A pot of wax: what it is kept at; what went in, was recovered, read and drawn stands in its events.
create table wax_pot (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  created_at timestamptz not null,
  updated_at timestamptz not null
);
create index wax_pot_of_studio on wax_pot (studio_id, archived, lower(name));

create table wax_pot_event (
  id bigint generated always as identity primary key,
  pot_id bigint not null references wax_pot,
  tap text not null,
  kind text not null,
  fields json not null,
  tapped_at timestamptz not null,
  at timestamptz not null,
  account_id bigint not null references account,
  unique (pot_id, tap)
);
create index wax_pot_event_of_account on wax_pot_event (account_id);
-- Wax of one dewax goes into a pot once.
create unique index wax_pot_event_of_run on wax_pot_event ((fields ->> 'run')) where fields ->> 'run' <> '';

-- The stand-in for a pot's thermometer and float, so that every node shows the same.
create table device_pot (
  pot_id bigint primary key references wax_pot,
  set_c double precision not null,
  from_c double precision not null,
  level_mm double precision not null,
  since timestamptz not null
);
