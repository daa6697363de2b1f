-- Ten years of the demo studio, by copying what the demo has: 5,000 trees more, 5,000 firings that have ended, five of them
-- with a log of two million readings, 41 shells that hang on the racks, 3,000 mixings. Asked once, on a scratch database.
set client_min_messages = warning;

create temp table studio_of on commit drop as select min(id) as id from studio;

create temp table copied on commit drop as
select nextval(pg_get_serial_sequence('tree', 'id')) as id, t.id as of, n
  from (select id from tree where studio_id = (select id from studio_of) and series_of is null order by id limit 4) t,
       generate_series(1, 1250) n;

insert into tree (id, studio_id, name, alloy, cavity_g, charge_g, flask, pour_at, factors, created_at, updated_at, face, mark, ahead)
overriding system value
select c.id, t.studio_id, t.name || ', ' || c.n, t.alloy, t.cavity_g, t.charge_g, t.flask,
       t.pour_at - c.n * interval '70 hours', t.factors, t.created_at - c.n * interval '70 hours',
       t.updated_at - c.n * interval '70 hours', t.face, t.mark, t.ahead
  from copied c join tree t on t.id = c.of;

insert into sheet (tree_id, stage, fields, version)
select c.id, s.stage, s.fields, 1 from copied c join sheet s on s.tree_id = c.of;

insert into sheet_revision (tree_id, stage, version, fields, account_id, at)
select c.id, s.stage, 1, s.fields, (select min(id) from account where studio_id = (select id from studio_of)),
       now() - c.n * interval '70 hours'
  from copied c join sheet s on s.tree_id = c.of;

-- firings that have ended, each with the tree it fired
create temp table fired on commit drop as
select nextval(pg_get_serial_sequence('firing', 'id')) as id, f.id as of, c.id as tree, row_number() over () as n
  from copied c,
       (select id from firing
         where studio_id = (select id from studio_of) and frozen is not null order by state = 'done' desc, id limit 1) f;

insert into firing (id, studio_id, kiln_id, name, fields, version, state, frozen, started_at, ended_at, ended_as, updated_at, ahead)
overriding system value
select x.id, f.studio_id, f.kiln_id, f.name || ' ' || x.n, f.fields, f.version, 'done', f.frozen,
       now() - x.n * interval '17 hours' - interval '20 hours', now() - x.n * interval '17 hours', 'poured',
       now() - x.n * interval '17 hours', f.ahead
  from fired x join firing f on f.id = x.of;

insert into firing_mold (firing_id, tree_id) select id, tree from fired;

insert into firing_event (firing_id, at, second, kind, subject, data, account_id)
select x.id, now() - x.n * interval '17 hours', e.second, e.kind, e.subject, e.data, e.account_id
  from fired x join firing_event e on e.firing_id = x.of;

insert into firing_event (firing_id, at, second, kind, subject, data, account_id)
select x.id, now() - x.n * interval '17 hours', 70000, 'deviation', '',
       json_build_object('usual', 4 + x.n % 5, 'most', 12 + x.n % 9, 'late', x.n % 30, 'standIn', false),
       (select min(id) from account where studio_id = (select id from studio_of))
  from fired x;

insert into firing_minute (firing_id, source, minute, first_second, last_second, low, high, readings)
select x.id, 'controller', m.minute * 10, m.minute * 600, m.minute * 600 + 595, 20 + m.minute * 6, 24 + m.minute * 6, 120
  from fired x, generate_series(0, 115) m(minute);

-- five logs of two million readings
insert into firing_log (firing_id, part, seconds, celsius)
select x.id, p.part,
       (select array_agg((p.part * 10000 + s) * 0.035) from generate_series(0, 9999) s),
       (select array_agg(20 + 700 * least(1, (p.part * 10000 + s) / 1500000.0)::double precision) from generate_series(0, 9999) s)
  from fired x, generate_series(0, 199) p(part) where x.n <= 5;

insert into firing_minute
select firing_id, 'log', floor(second / 60), min(second), max(second), min(c), max(c), count(*)
  from firing_log, unnest(seconds, celsius) as u(second, c)
 where firing_id in (select id from fired where n <= 5) group by 1, 3;

-- shells that hang on the racks
create temp table hung on commit drop as
select nextval(pg_get_serial_sequence('shell_run', 'id')) as id, r.id as of, c.id as tree, c.n
  from (select id, row_number() over (order by id) as k, count(*) over () as all from shell_run
         where studio_id = (select id from studio_of) and ended_at is null) r,
       (select id, row_number() over (order by id desc) as n from copied) c
 where c.n <= 41 and r.k = 1 + c.n % r.all;

insert into shell_run (id, studio_id, tree_id, name, plan, rack, begun_at, account_id)
overriding system value
select h.id, r.studio_id, h.tree, r.name || ' ' || h.n, r.plan, r.rack, r.begun_at - h.n * interval '1 hour', r.account_id
  from hung h join shell_run r on r.id = h.of;
insert into shell_coat (run_id, place, coat) select h.id, c.place, c.coat from hung h join shell_coat c on c.run_id = h.of;
insert into dip (run_id, coat, at, logged_at, celsius, humidity, air, flow_s, density, thickness_mm, mass_g, changed, note, account_id, removed)
select h.id, d.coat, d.at - h.n * interval '1 hour', d.logged_at, d.celsius, d.humidity, d.air, d.flow_s, d.density,
       d.thickness_mm, d.mass_g, d.changed, d.note, d.account_id, d.removed
  from hung h join dip d on d.run_id = h.of;

-- mixings that have ended
create temp table mixed on commit drop as
select nextval(pg_get_serial_sequence('mix_session', 'id')) as id, m.id as of, c.id as tree, c.n
  from (select id from mix_session where studio_id = (select id from studio_of) and tree_id is not null order by id limit 1) m,
       (select id, row_number() over (order by id) as n from copied) c
 where c.n <= 3000;
insert into mix_session (id, tree_id, studio_id, plan, steps, working_min, step, step_began_at, started_at, powder_in_at, ended_at, given_up, title)
overriding system value
select x.id, x.tree, m.studio_id, m.plan, m.steps, m.working_min, m.step, now() - x.n * interval '29 hours',
       now() - x.n * interval '29 hours', now() - x.n * interval '29 hours', now() - x.n * interval '29 hours' + interval '20 minutes',
       false, m.title
  from mixed x join mix_session m on m.id = x.of;
insert into mix_event (mix_session_id, step, kind, reading_g, note, account_id, at)
select x.id, e.step, e.kind, e.reading_g, e.note, e.account_id, now() - x.n * interval '29 hours'
  from mixed x join mix_event e on e.mix_session_id = x.of;
