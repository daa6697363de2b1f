-- Kilns, the studio's own programs, firings with their loads, what happened, and the stand-in controller.
create table kiln (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  version int not null,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index kiln_of_studio on kiln (studio_id, lower(name));

create table kiln_care (
  id bigint generated always as identity primary key,
  kiln_id bigint not null references kiln,
  at timestamptz not null,
  what text not null,
  note text not null,
  account_id bigint not null references account
);
create index kiln_care_of_kiln on kiln_care (kiln_id, at);

-- Which columns of a logger's file hold what; typed once for a kiln.
create table kiln_columns (
  kiln_id bigint primary key references kiln,
  mapping json not null
);

create table own_program (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  version int not null,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index own_program_of_studio on own_program (studio_id, lower(name));

-- A firing: a load and its program, as typed; frozen when it starts.
create table firing (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  kiln_id bigint references kiln,
  name text not null,
  fields json not null,
  version int not null,
  state text not null,
  frozen json,
  started_at timestamptz,
  ended_at timestamptz,
  ended_as text,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index firing_of_studio on firing (studio_id, state, updated_at);
create index firing_of_kiln on firing (kiln_id);

create table firing_mold (
  firing_id bigint not null references firing,
  tree_id bigint not null references tree,
  primary key (firing_id, tree_id)
);
create index firing_of_tree on firing_mold (tree_id);

-- What people and devices did: duties ticked, faults, changes, remarks.
create table firing_event (
  id bigint generated always as identity primary key,
  firing_id bigint not null references firing,
  at timestamptz not null,
  second double precision not null,
  kind text not null,
  subject text not null,
  data json not null,
  account_id bigint references account
);
create index firing_event_of_firing on firing_event (firing_id, id);
create unique index firing_duty_once on firing_event (firing_id, subject) where kind = 'duty';

-- Temperatures, seconds since the start; from the controller or from a logger's file.
create table firing_sample (
  firing_id bigint not null references firing,
  source text not null,
  second double precision not null,
  celsius double precision not null,
  asked double precision,
  primary key (firing_id, source, second)
);

-- The stand-in controller: its job, its clock, and the faults that were set.
create table device_controller (
  firing_id bigint primary key references firing,
  job json not null,
  speed double precision not null,
  anchor_at timestamptz not null,
  anchor_second double precision not null,
  second double precision not null,
  into_second double precision not null,
  state text not null,
  faults json not null
);
