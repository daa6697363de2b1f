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

-- Two parts tried together before they are joined, as they were measured, mm.
create table fit_trial (
  id bigint generated always as identity primary key,
  tree_id bigint not null references tree,
  joint text not null,
  first_part text not null,
  second_part text not null,
  gap double precision,
  step double precision,
  pin double precision,
  bore double precision,
  rocks boolean,
  hot boolean not null,
  who text not null,
  account_id bigint not null references account,
  at timestamptz not null
);
create index fit_trial_of_tree on fit_trial (tree_id, at);
create index fit_trial_of_account on fit_trial (account_id);
