-- A piece before it is on a tree: what was typed of it, with every earlier version.
create table piece (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  version int not null,
  created_at timestamptz not null,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index piece_of_studio on piece (studio_id, updated_at desc);

create table piece_revision (
  piece_id bigint not null references piece,
  version int not null,
  fields json not null,
  account_id bigint not null references account,
  at timestamptz not null,
  primary key (piece_id, version)
);

-- A mesh file of a piece, how far its measuring has come, and what was measured. The newest of a piece counts.
create table mesh (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  piece_id bigint not null references piece,
  file_name text not null,
  bytes bigint not null,
  up text not null,
  state text not null check (state in ('waiting', 'measuring', 'measured', 'refused', 'cancelled')),
  step text not null default '',
  share double precision,
  refusal text not null default '',
  summary json,
  created_at timestamptz not null
);
create index mesh_of_piece on mesh (piece_id, id desc);

create table mesh_chunk (
  mesh_id bigint not null references mesh on delete cascade,
  part text not null check (part in ('file', 'view')),
  n int not null,
  bytes bytea not null,
  primary key (mesh_id, part, n)
);

create table photo (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  piece_id bigint not null references piece,
  caption text not null,
  jpeg bytea not null,
  width int not null,
  height int not null,
  account_id bigint not null references account,
  at timestamptz not null,
  removed boolean not null default false
);
create index photo_of_piece on photo (piece_id, at);

-- What the studio can hold, heat, melt and lift: field name to text, units always written out.
create table equipment (
  studio_id bigint primary key references studio,
  fields json not null,
  version int not null
);

-- The stand-in for a scale: what lies on it and how it is set.
create table device_scale (
  studio_id bigint primary key references studio,
  unit text not null,
  load_g double precision not null,
  tare_g double precision not null,
  placed_at timestamptz not null
);

-- A finished tree weighed at the bench.
create table weighing (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  tree_id bigint not null references tree,
  mass_g double precision not null,
  shown text not null,
  planned_g double precision,
  confirmed boolean not null,
  account_id bigint not null references account,
  at timestamptz not null
);

-- Jobs, by db-scheduler.
create table scheduled_tasks (
  task_name text not null,
  task_instance text not null,
  task_data bytea,
  execution_time timestamptz not null,
  picked boolean not null,
  picked_by text,
  last_success timestamptz,
  last_failure timestamptz,
  consecutive_failures int,
  last_heartbeat timestamptz,
  version bigint not null,
  priority smallint,
  primary key (task_name, task_instance)
);
create index scheduled_tasks_execution_time on scheduled_tasks (execution_time);
create index scheduled_tasks_heartbeat on scheduled_tasks (last_heartbeat);
create index scheduled_tasks_priority on scheduled_tasks (priority desc, execution_time asc);
