-- What came out of a mold: its castings as they hung on the tree, and what was seen, weighed and measured of them.
create table break_out (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  tree_id bigint not null references tree unique,
  pour_id bigint references pour,
  state text not null default 'open',
  tiles json not null,
  version int not null default 1,
  record json,
  begun_at timestamptz not null,
  closed_at timestamptz,
  account_id bigint not null references account
);
create index break_out_of_studio on break_out (studio_id, state, begun_at desc);
create index break_out_of_pour on break_out (pour_id);
create index break_out_of_account on break_out (account_id);

-- Each casting as it stands now: the sum of its events, kept for lists and counts.
create table casting (
  id bigint generated always as identity primary key,
  break_out_id bigint not null references break_out,
  number int not null,
  name text not null,
  verdict text not null default 'unseen',
  first_verdict text not null default 'unseen',
  grams double precision,
  unique (break_out_id, number)
);

-- What was tapped, each once, with the moment it was tapped.
create table break_out_event (
  id bigint generated always as identity primary key,
  break_out_id bigint not null references break_out,
  tap text not null,
  casting int,
  kind text not null,
  fields json not null,
  tapped_at timestamptz not null,
  at timestamptz not null,
  account_id bigint not null references account,
  unique (break_out_id, tap)
);
create index break_out_event_of_account on break_out_event (account_id);

-- What somebody expected before it was opened.
create table forecast (
  id bigint generated always as identity primary key,
  tree_id bigint not null references tree,
  account_id bigint not null references account,
  good int not null,
  made int not null,
  why text not null,
  at timestamptz not null,
  unique (tree_id, account_id)
);
create index forecast_of_account on forecast (account_id);

-- A plan that was copied from one that was cast, with the one change that is tried and why.
create table cast_again (
  tree_id bigint primary key references tree,
  from_tree_id bigint not null references tree,
  cause text not null,
  change text not null,
  reason text not null,
  account_id bigint not null references account,
  at timestamptz not null
);
create index cast_again_of_first on cast_again (from_tree_id);
create index cast_again_of_account on cast_again (account_id);

alter table photo add column break_out_id bigint references break_out;
create index photo_of_break_out on photo (break_out_id);

-- A studio's own causes, and its own weights of the table's.
create table own_cause (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  cause text not null,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  account_id bigint not null references account,
  at timestamptz not null,
  unique (studio_id, cause)
);
create index own_cause_of_account on own_cause (account_id);

-- How and when a full mold was taken out: into water, or in the air.
create table taken_out (
  tree_id bigint primary key references tree,
  how text not null,
  button_c double precision,
  early boolean not null,
  account_id bigint not null references account,
  at timestamptz not null
);
create index taken_out_of_account on taken_out (account_id);
