-- Which pieces hang on which trees, so that a list says it without reading every tree; and a piece's outline by its mesh.
create table tree_piece (
  tree_id bigint not null references tree on delete cascade,
  piece_id bigint not null references piece on delete cascade,
  primary key (tree_id, piece_id)
);
create index tree_piece_of_piece on tree_piece (piece_id);
insert into tree_piece (tree_id, piece_id)
select distinct s.tree_id, p.id
  from sheet s
  join tree t on t.id = s.tree_id
 cross join lateral regexp_matches(s.fields::text, '\]\.piece" ?: ?"(\d{1,18})"', 'g') m
  join piece p on p.id = m[1]::bigint and p.studio_id = t.studio_id
 where s.stage = 'tree';
alter table mesh add column face text;
