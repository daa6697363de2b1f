-- A tree filled and frozen ahead: what was told of it, and its cells for drawing, kept with the state of the sheets that it was
-- reckoned from.
create table foresight (
  id bigint generated always as identity primary key,
  studio_id bigint not null references studio,
  tree_id bigint not null references tree,
  state text not null,
  asked_cells int not null,
  told json not null,
  cells bytea not null,
  made_by bigint references account,
  made_at timestamptz not null,
  unique (tree_id, state, asked_cells)
);
create index foresight_tree on foresight (tree_id, made_at desc);
create index foresight_studio on foresight (studio_id);
create index foresight_made_by on foresight (made_by);
