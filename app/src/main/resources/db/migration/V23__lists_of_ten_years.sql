-- What lists of ten years ask of each firing, so that no frozen document is read for it.
alter table firing add column planned_min double precision generated always as
  (coalesce((frozen->'course'->>'minutes')::double precision, (frozen->>'minutes')::double precision)) stored;
create index firing_ended on firing (studio_id, ended_at desc) where ended_at is not null;
create index firing_event_deviation on firing_event (firing_id, id desc) where kind = 'deviation';
