-- A studio's own way of working: a school copied, named and changed. Fields are the rules it replaces, key to text.
create table school (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  craft text not null,
  name text not null,
  based_on text not null,
  fields json not null,
  version int not null,
  account_id bigint not null references account,
  at timestamptz not null,
  archived_at timestamptz
);
create index school_of_studio on school (studio_id, craft);
