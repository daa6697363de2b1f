-- Molds of silicate-bound sand, and the log of how each was hardened and dried.
create table sand_mold (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  version int not null,
  updated_at timestamptz not null
);
create index sand_mold_of_studio on sand_mold (studio_id, updated_at desc);

create table sand_log (
  id bigint generated always as identity primary key,
  sand_mold_id bigint not null references sand_mold,
  fields json not null,
  account_id bigint not null references account,
  at timestamptz not null
);
create index sand_log_of_mold on sand_log (sand_mold_id, at);
