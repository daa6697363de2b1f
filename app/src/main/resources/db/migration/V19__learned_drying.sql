-- How long a coat took to dry by its weight, beside what was foreseen of it: noted once, at the weighing that found it dry.
create table coat_dried (
  run_id bigint not null references shell_run,
  place int not null,
  coat text not null,
  planned_h double precision not null,
  dried_h double precision not null,
  tail double precision not null,
  at timestamptz not null,
  primary key (run_id, place)
);
