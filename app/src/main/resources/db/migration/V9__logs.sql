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
select firing_id, source, floor(second / 60), min(second), max(second), min(celsius), max(celsius), count(*)
  from firing_sample group by 1, 2, 3;

-- How far a file is that is being taken in.
create table firing_intake (
  firing_id bigint primary key references firing,
  words text not null,
  share double precision not null,
  at timestamptz not null
);
