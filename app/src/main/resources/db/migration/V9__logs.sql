-- Logs of controllers and loggers: many readings to a row, as a million rows take their time.
create table firing_log (
  firing_id bigint not null references firing,
  part int not null,
  seconds double precision[] not null,
  celsius double precision[] not null,
  primary key (firing_id, part)
);
insert into firing_log
select firing_id, 0, array_agg(second order by second), array_agg(celsius order by second)
  from firing_sample where source = 'log' group by firing_id;
delete from firing_sample where source = 'log';

-- Readings thinned minute by minute, so that a long log is drawn without reading all of it; each peak is kept.
create table firing_minute (
  firing_id bigint not null references firing,
  source text not null,
  minute int not null,
  first_second double precision not null,
  last_second double precision not null,
  low double precision not null,
  high double precision not null,
  readings int not null,
  primary key (firing_id, source, minute)
);
insert into firing_minute
select firing_id, 'controller', floor(second / 60), min(second), max(second), min(celsius), max(celsius), count(*)
  from firing_sample group by 1, 3;
insert into firing_minute
select firing_id, 'log', floor(second / 60), min(second), max(second), min(c), max(c), count(*)
  from firing_log, unnest(seconds, celsius) as u(second, c) group by 1, 3;

-- How far a file is that is being taken in.
create table firing_intake (
  firing_id bigint primary key references firing,
  words text not null,
  share double precision not null,
  at timestamptz not null
);
