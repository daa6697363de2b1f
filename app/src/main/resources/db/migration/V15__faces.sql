-- What lists show of a tree without reading its plan: its outline, and the worst that was found when it was last saved.
alter table tree add column face text;
alter table tree add column mark text;
-- Lists of a studio with thousands of trees are sorted by these.
create index tree_by_pour on tree (studio_id, pour_at) where archived_at is null and pour_at is not null;
create index firing_event_poured on firing_event (firing_id) where kind = 'duty' and subject like 'pour%';
-- What lies ahead of a tree or a load by the clock, kept so that the day is shown without reckoning every plan anew.
alter table tree add column ahead json;
alter table firing add column ahead json;
