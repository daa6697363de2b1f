-- One design made several times: each tree of a series has its own mold, weigh-in and result, the list of parts is shared.
alter table tree add column series_of bigint references tree;
alter table tree add column series_no int not null default 1;
create unique index tree_in_series on tree (series_of, series_no) where series_of is not null;
