-- Investments mixed by the studio, and what came of them in trials.
create table blend (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  name text not null,
  fields json not null,
  version int not null,
  updated_at timestamptz not null,
  archived_at timestamptz
);
create index blend_of_studio on blend (studio_id, lower(name));

create table blend_trial (
  id bigint generated always as identity primary key,
  blend_id bigint not null references blend,
  studio_id bigint not null references studio,
  -- The blend as it was when it was tried.
  blend_fields json not null,
  fields json not null,
  account_id bigint not null references account,
  at timestamptz not null,
  removed boolean not null default false
);
create index blend_trial_of_studio on blend_trial (studio_id, at desc);

alter table photo alter column piece_id drop not null;
alter table photo add column blend_trial_id bigint references blend_trial;
create index photo_of_trial on photo (blend_trial_id) where blend_trial_id is not null;
