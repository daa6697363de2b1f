-- Metal in store: lots, and a line for each use and return.
create table metal_lot (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  kind text not null,
  fields json not null,
  make_up json,
  remaining_g double precision not null check (remaining_g >= 0),
  version int not null default 1,
  archived boolean not null default false,
  updated_at timestamptz not null
);
create index metal_lot_of_studio on metal_lot (studio_id, archived, name);

-- What melts: furnaces, and the crucibles in them.
create table melter (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  kind text not null,
  name text not null,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  updated_at timestamptz not null
);
create index melter_of_studio on melter (studio_id, kind, archived, name);

-- A pour: one day, one alloy, one or more pots, molds out of any kilns.
create table pour (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  state text not null default 'planned',
  fields json not null,
  version int not null default 1,
  crucible_id bigint references melter,
  record json,
  created_at timestamptz not null,
  begun_at timestamptz,
  ended_at timestamptz
);
create index pour_of_studio on pour (studio_id, created_at desc);
create index pour_of_crucible on pour (crucible_id);

create table pour_mold (
  pour_id bigint not null references pour,
  tree_id bigint not null references tree,
  place int not null,
  primary key (pour_id, tree_id)
);
create index pour_mold_of_tree on pour_mold (tree_id);

-- What happened, each tap once, with the moment it was tapped.
create table pour_event (
  id bigint generated always as identity primary key,
  pour_id bigint not null references pour,
  tap text not null,
  tree_id bigint references tree,
  kind text not null,
  fields json not null,
  tapped_at timestamptz not null,
  at timestamptz not null,
  account_id bigint not null references account,
  unique (pour_id, tap)
);
create index pour_event_of_tree on pour_event (tree_id);
create index pour_event_of_account on pour_event (account_id);

create table metal_move (
  id bigint generated always as identity primary key,
  metal_lot_id bigint not null references metal_lot,
  pour_id bigint references pour,
  grams double precision not null,
  why text not null,
  note text not null,
  account_id bigint not null references account,
  at timestamptz not null
);
create index metal_move_of_lot on metal_move (metal_lot_id, at);
create index metal_move_of_pour on metal_move (pour_id);
create index metal_move_of_account on metal_move (account_id);
