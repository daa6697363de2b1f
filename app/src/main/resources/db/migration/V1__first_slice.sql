create table studio (
  id bigint generated always as identity primary key,
  name text not null check (length(name) between 1 and 120),
  zone text not null
);

create table account (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  login text not null unique check (login = lower(login)),
  password_hash text not null,
  shown_name text not null,
  unit_system text not null default 'METRIC' check (unit_system in ('METRIC', 'IMPERIAL')),
  troy boolean not null default false,
  demo boolean not null default false,
  created_at timestamptz not null
);

create table login_failure (
  login text not null,
  address text not null,
  at timestamptz not null
);
create index login_failure_at on login_failure (at);

-- A constant of the handbook that a studio replaced; value in the constant's own unit.
create table studio_factor (
  studio_id bigint not null references studio,
  key text not null,
  value double precision not null,
  reason text not null,
  account_id bigint not null references account,
  at timestamptz not null,
  primary key (studio_id, key)
);

-- A tree and what its list shows of it; the columns after zone are a summary kept with each save.
create table tree (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  alloy text,
  cavity_g double precision,
  charge_g double precision,
  flask text,
  pour_at timestamptz,
  factors jsonb not null default '{}',
  created_at timestamptz not null,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index tree_of_studio on tree (studio_id, updated_at desc);

-- What was typed for one stage of a tree's plan: field name to text, units always written out.
create table sheet (
  tree_id bigint not null references tree,
  stage text not null check (stage in ('tree', 'mold', 'firing')),
  fields json not null,
  version int not null,
  primary key (tree_id, stage)
);

create table sheet_revision (
  tree_id bigint not null,
  stage text not null,
  version int not null,
  fields json not null,
  account_id bigint not null references account,
  at timestamptz not null,
  primary key (tree_id, stage, version),
  foreign key (tree_id, stage) references sheet
);

-- What someone typed and has not saved yet; tree_id 0 is a tree not made yet.
create table draft (
  account_id bigint not null references account,
  tree_id bigint not null,
  stage text not null,
  fields json not null,
  base_version int not null,
  at timestamptz not null,
  -- The page it was typed on; closed once that page was saved or thrown away, so that a late draft of it stays out.
  page text not null,
  closed boolean not null default false,
  primary key (account_id, tree_id, stage)
);

create table overruling (
  tree_id bigint not null references tree,
  finding text not null,
  reason text not null check (length(reason) >= 3),
  account_id bigint not null references account,
  at timestamptz not null,
  primary key (tree_id, finding)
);

-- One mixing at the bench: the plan as it was when it began, and where it stands.
create table mix_session (
  id bigint generated always as identity primary key,
  tree_id bigint not null references tree,
  studio_id bigint not null references studio,
  plan json not null,
  steps json not null,
  working_min double precision not null,
  step int not null,
  step_began_at timestamptz not null,
  started_at timestamptz not null,
  powder_in_at timestamptz,
  ended_at timestamptz,
  given_up boolean not null default false
);
create unique index one_mix_at_a_time on mix_session (tree_id) where ended_at is null;

create table mix_event (
  id bigint generated always as identity primary key,
  mix_session_id bigint not null references mix_session,
  step int not null,
  kind text not null,
  reading_g double precision,
  note text not null default '',
  account_id bigint not null references account,
  at timestamptz not null
);

create table spring_session (
  primary_id char(36) not null primary key,
  session_id char(36) not null unique,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100)
);
create index spring_session_expiry on spring_session (expiry_time);
create index spring_session_principal on spring_session (principal_name);

create table spring_session_attributes (
  session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
  attribute_name varchar(200) not null,
  attribute_bytes bytea not null,
  primary key (session_primary_id, attribute_name)
);
