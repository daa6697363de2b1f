-- A round of injection molds: how they are planned; each shot and pull stands in its events.
create table injection_round (
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
create index injection_round_of_studio on injection_round (studio_id, archived, lower(name));
create index injection_round_of_piece on injection_round (piece_id);

create table injection_event (
  id bigint generated always as identity primary key,
  round_id bigint not null references injection_round,
  tap text not null,
  kind text not null,
  fields json not null,
  tapped_at timestamptz not null,
  at timestamptz not null,
  account_id bigint not null references account,
  unique (round_id, tap)
);
create index injection_event_of_account on injection_event (account_id);
