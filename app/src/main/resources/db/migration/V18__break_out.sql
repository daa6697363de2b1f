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
  -- what it was planned at, and what was tapped and weighed of it, kept for the log
  alloy text,
  mold_kind text,
  school text,
  poured_by text,
  poured_at timestamptz,
  planned_g double precision,
  cast_g double precision,
  castings_g double precision,
  gating_g double precision,
  fill_planned_s double precision,
  fill_s double precision,
  stood_planned_s double precision,
  stood_s double precision,
  metal_planned_c double precision,
  metal_c double precision,
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

-- What a studio took from its own castings: from when on, and what stood there before.
alter table studio_factor add column learned_at timestamptz;
alter table studio_factor add column before_value double precision;
alter table studio_factor add column before_reason text;

-- Sizes are few among the taps.
create index size_of_break_out on break_out_event (break_out_id) where kind in ('size', 'unsize');
create index casting_by_name on casting (name);

-- What was heard elsewhere, with its source, how far it is trusted, and what came of it here.
create table note_elsewhere (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  account_id bigint not null references account,
  at timestamptz not null
);
create index note_elsewhere_of_studio on note_elsewhere (studio_id, archived, at desc);
create index note_elsewhere_of_account on note_elsewhere (account_id);

-- Work on castings after they came out: hours by a clock or typed.
create table finish_work (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  tree_id bigint not null references tree,
  casting int,
  section text not null,
  stage text not null,
  who text not null,
  grams double precision,
  started_at timestamptz,
  ended_at timestamptz,
  hours double precision,
  fields json not null,
  removed boolean not null default false,
  version int not null default 1,
  account_id bigint not null references account,
  at timestamptz not null
);
create index finish_work_of_tree on finish_work (tree_id, at);
create index finish_work_of_studio on finish_work (studio_id, stage);
create index finish_work_of_account on finish_work (account_id);

-- How a tree stands with its finishing: sizes and mass at the end, due date, mend or cast again as it was reckoned.
create table finishing (
  tree_id bigint primary key references tree,
  fields json not null,
  version int not null default 1,
  account_id bigint not null references account,
  at timestamptz not null
);
create index finishing_of_account on finishing (account_id);

create table patina (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  fields json not null,
  version int not null default 1,
  archived boolean not null default false,
  account_id bigint not null references account,
  at timestamptz not null
);
create index patina_of_studio on patina (studio_id, archived);
create index patina_of_account on patina (account_id);

-- Seen and agreed: with a name, and a photo where one was taken.
create table sign_off (
  id bigint generated always as identity primary key,
  tree_id bigint not null references tree,
  stage text not null,
  name text not null,
  note text not null,
  photo_id bigint references photo,
  account_id bigint not null references account,
  at timestamptz not null
);
create index sign_off_of_tree on sign_off (tree_id, at);
create index sign_off_of_photo on sign_off (photo_id);
create index sign_off_of_account on sign_off (account_id);

alter table photo add column tree_id bigint references tree;
create index photo_of_tree on photo (tree_id);
alter table photo add column patina_id bigint references patina;
create index photo_of_patina on photo (patina_id);
