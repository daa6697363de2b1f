-- Photos of a load as it stands in the kiln.
alter table photo add column firing_id bigint references firing;
create index photo_of_firing on photo (firing_id) where firing_id is not null;
