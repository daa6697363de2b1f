-- What lists of ten years ask of each firing, so that no frozen document is read for it.
alter table firing add column planned_min double precision generated always as
  (coalesce((frozen->'course'->>'minutes')::double precision, (frozen->>'minutes')::double precision)) stored;
create index firing_ended on firing (studio_id, ended_at desc) where ended_at is not null;
create index firing_event_deviation on firing_event (firing_id, id desc) where kind = 'deviation';

-- Tanks, molds of sand and recipes are kept as kilns, programs and blends are.
alter table slurry_tank add column updated_at timestamptz not null default now(), alter column made_at set default now();
alter table sand_mold add column archived_at timestamptz;
alter table shell_recipe add column fields json;
update shell_recipe set fields = json_build_object('coats', coats, 'note', note);
alter table shell_recipe alter column fields set not null, drop column coats, drop column note;

-- What a studio has set for itself is read for every plan: a stamp says whether what is known of it still holds. Its number is
-- never given twice, so that what was rolled back is not taken for what came after.
create table studio_stamp (
  studio_id bigint primary key,
  stamp bigint not null
);
create sequence studio_stamp_number;
create function stamp_studio() returns trigger language plpgsql as $$
begin
  insert into studio_stamp (studio_id, stamp)
  values (case when tg_op = 'DELETE' then old.studio_id else new.studio_id end, nextval('studio_stamp_number'))
  on conflict (studio_id) do update set stamp = excluded.stamp;
  return null;
end $$;
create trigger stamp_school after insert or update or delete on school for each row execute function stamp_studio();
create trigger stamp_blend after insert or update or delete on blend for each row execute function stamp_studio();
create trigger stamp_trial after insert or update or delete on blend_trial for each row execute function stamp_studio();
create trigger stamp_recipe after insert or update or delete on shell_recipe for each row execute function stamp_studio();
create trigger stamp_equipment after insert or update or delete on equipment for each row execute function stamp_studio();
create trigger stamp_factor after insert or update or delete on studio_factor for each row execute function stamp_studio();
create trigger stamp_cause after insert or update or delete on own_cause for each row execute function stamp_studio();
create trigger stamp_account after update of shown_name on account for each row execute function stamp_studio();
