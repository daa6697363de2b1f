-- A mold of rubber of a piece: how it is planned; what was done to it stands in its events.
create table rubber_mold (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  piece_id bigint references piece,
  name text not null,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  created_at timestamptz not null,
  updated_at timestamptz not null
);
create index rubber_mold_of_studio on rubber_mold (studio_id, archived, lower(name));
create index rubber_mold_of_piece on rubber_mold (piece_id);

-- What was tapped, each once, with the moment it was tapped.
create table rubber_event (
  id bigint generated always as identity primary key,
  mold_id bigint not null references rubber_mold,
  tap text not null,
  kind text not null,
  fields json not null,
  tapped_at timestamptz not null,
  at timestamptz not null,
  account_id bigint not null references account,
  unique (mold_id, tap)
);
create index rubber_event_of_account on rubber_event (account_id);

-- A wax of a piece: slushed in a mold of rubber, or made otherwise.
create table wax (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  piece_id bigint references piece,
  mold_id bigint references rubber_mold,
  name text not null,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  created_at timestamptz not null,
  updated_at timestamptz not null
);
create index wax_of_studio on wax (studio_id, archived, lower(name));
create index wax_of_piece on wax (piece_id);
create index wax_of_mold on wax (mold_id);

create table wax_event (
  id bigint generated always as identity primary key,
  wax_id bigint not null references wax,
  tap text not null,
  kind text not null,
  fields json not null,
  tapped_at timestamptz not null,
  at timestamptz not null,
  account_id bigint not null references account,
  unique (wax_id, tap)
);
create index wax_event_of_account on wax_event (account_id);
