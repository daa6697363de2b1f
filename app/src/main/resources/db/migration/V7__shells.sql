-- Ceramic shells: recipes, racks and tanks, the room's air, and the log of dips.
create table shell_recipe (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  coats text not null,
  note text not null,
  version int not null,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index shell_recipe_of_studio on shell_recipe (studio_id, lower(name));

-- Racks, hours and the usual day of the drying room, as typed.
create table dip_room (
  studio_id bigint primary key references studio,
  fields json not null,
  version int not null
);

create table climate_reading (
  studio_id bigint not null references studio,
  at timestamptz not null,
  celsius double precision not null,
  humidity double precision not null,
  air double precision,
  source text not null,
  primary key (studio_id, at)
);

create table slurry_tank (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  made_at timestamptz not null,
  version int not null,
  archived_at timestamptz
);
create index slurry_tank_of_studio on slurry_tank (studio_id, lower(name));

create table slurry_reading (
  id bigint generated always as identity primary key,
  tank_id bigint not null references slurry_tank,
  at timestamptz not null,
  flow_s double precision,
  density double precision,
  water_g double precision,
  note text not null,
  account_id bigint not null references account
);
create index slurry_reading_of_tank on slurry_reading (tank_id, at);

-- A shell being built: the plan as it was at the first dip.
create table shell_run (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  tree_id bigint not null references tree,
  name text not null,
  plan json not null,
  rack text not null,
  begun_at timestamptz not null,
  ended_at timestamptz,
  ended_as text,
  account_id bigint not null references account
);
create unique index shell_run_open on shell_run (tree_id) where ended_at is null;
create index shell_run_of_studio on shell_run (studio_id, begun_at desc);

-- The coats still planned for a run are changed by those who dip: skipped, repeated, put in.
create table shell_coat (
  run_id bigint not null references shell_run,
  place int not null,
  coat text not null,
  primary key (run_id, place)
);

create table dip (
  id bigint generated always as identity primary key,
  run_id bigint not null references shell_run,
  coat text not null,
  at timestamptz not null,
  logged_at timestamptz not null,
  celsius double precision not null,
  humidity double precision not null,
  air double precision not null,
  flow_s double precision,
  density double precision,
  thickness_mm double precision,
  mass_g double precision,
  changed text not null,
  note text not null,
  account_id bigint not null references account,
  removed boolean not null default false
);
create index dip_of_run on dip (run_id, at);

create table shell_weighing (
  id bigint generated always as identity primary key,
  run_id bigint not null references shell_run,
  at timestamptz not null,
  mass_g double precision not null,
  account_id bigint not null references account
);
create index shell_weighing_of_run on shell_weighing (run_id, at);

-- What happened after the last coat: dewax, cracks and patches, inspection.
create table shell_event (
  id bigint generated always as identity primary key,
  run_id bigint not null references shell_run,
  kind text not null,
  fields json not null,
  at timestamptz not null,
  account_id bigint not null references account
);
create index shell_event_of_run on shell_event (run_id, at);

-- The stand-in hygrometer, so that every node shows the same.
create table device_hygrometer (
  studio_id bigint primary key references studio,
  celsius double precision not null,
  humidity double precision not null,
  swing double precision not null,
  since timestamptz not null
);
