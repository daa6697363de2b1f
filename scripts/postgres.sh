# The private PostgreSQL cluster of Kiln Ryu: finding its programs, making, starting and stopping it on loopback.
# Sourced by ./kiln-ryu for the application's own cluster and for that of the tests. Needs: say, fail.

PG_BIN=""

pg_find() {
  local dir
  for dir in /usr/lib/postgresql/*/bin; do
    [ -x "$dir/initdb" ] && PG_BIN="$dir"
  done
  [ -n "$PG_BIN" ]
}

# Started by root, database and application run as a system account of their own that may do nothing else; started by
# anyone else, as that one.
ACCOUNT=kiln-ryu

make_account() {
  [ "$(id -u)" = 0 ] || return 0
  id -u "$ACCOUNT" >/dev/null 2>&1 && return 0
  useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$ACCOUNT" \
    || fail "The system account $ACCOUNT could not be made; run: useradd --system $ACCOUNT"
}

# The lock of start and stop (9) is not handed on, else the server would hold it as long as it runs.
as_account() {
  if [ "$(id -u)" = 0 ]; then
    (cd / && runuser -u "$ACCOUNT" -- "$@") 9>&-
  else
    (cd / && "$@") 9>&-
  fi
}

# Hands a data folder over to the account, and closes it to everybody else. One that an earlier version kept as postgres
# is stopped first by its own account.
own_home() {
  local home="$1" owner
  if [ "$(id -u)" = 0 ]; then
    make_account
    owner=$(stat -c %U "$home/pg/data" 2>/dev/null || true)
    if [ -n "$owner" ] && [ "$owner" != "$ACCOUNT" ] && pg_running "$home"; then
      (cd / && runuser -u "$owner" -- "$PG_BIN/pg_ctl" -D "$home/pg/data" -m fast -w -t 60 stop) >/dev/null 9>&- || true
      rm -rf "/tmp/kiln-ryu-$(cat "$home/pg.port")"
    fi
    [ "$(stat -c %U "$home")" = "$ACCOUNT" ] && [ "${owner:-$ACCOUNT}" = "$ACCOUNT" ] || chown -R "$ACCOUNT": "$home"
    as_account test -x "$home" || fail "The account $ACCOUNT cannot enter $home (a folder above it is closed, such as one of mode 700). Set KILN_RYU_HOME to a folder it can reach, such as /var/lib/kiln-ryu."
  fi
  chmod 700 "$home"
  chmod 600 "$home"/*.log "$home"/*.out "$home/pg/log" 2>/dev/null || true
}

port_taken() {
  (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null
}

free_port() {
  local port
  for _ in $(seq 1 50); do
    port=$((20000 + RANDOM % 20000))
    port_taken "$port" || { echo "$port"; return; }
  done
  fail "Found no free port for PostgreSQL."
}

# secret FILE: a generated password, readable by its owner alone
secret() {
  [ -s "$1" ] || (umask 077 && head -c 24 /dev/urandom | base64 | tr '+/' 'xy' >"$1")
}

# pg_make HOME: a cluster with a generated password, scram only, loopback only.
pg_make() {
  local home="$1"
  mkdir -p "$home"
  secret "$home/pg.password"
  [ -s "$home/pg.port" ] || { [ -n "${KILN_RYU_PG_PORT:-}" ] && echo "$KILN_RYU_PG_PORT" || free_port; } >"$home/pg.port"
  own_home "$home"
  [ -f "$home/pg/data/PG_VERSION" ] && [ -f "$home/pg/made" ] && return 0
  say "Making a private PostgreSQL cluster"
  rm -rf "$home/pg"
  mkdir -p "$home/pg"
  chmod 700 "$home/pg"
  cp "$home/pg.password" "$home/pg/pw" && chmod 600 "$home/pg/pw"
  [ "$(id -u)" = 0 ] && chown -R "$ACCOUNT": "$home"
  as_account "$PG_BIN/initdb" -D "$home/pg/data" -U postgres --pwfile="$home/pg/pw" -A scram-sha-256 \
    --encoding=UTF8 --locale=C.UTF-8 --data-checksums >"$home/initdb.log" 2>&1 \
    || fail "initdb failed; see $home/initdb.log"
  rm -f "$home/pg/pw"
  touch "$home/pg/made"
}

# Alive means a process that still runs: after a crash the old one may linger as a zombie.
pg_running() {
  local pid
  pid=$(head -n 1 "$1/pg/data/postmaster.pid" 2>/dev/null) && [ -n "$pid" ] || return 1
  [ -r "/proc/$pid/status" ] && ! grep -q '^State:[[:space:]]*[ZX]' "/proc/$pid/status" \
    && grep -qa postgres "/proc/$pid/cmdline"
}

# What a crash left: the lock of a server that is gone, whose helpers need a moment to notice.
pg_clear_crash() {
  [ -f "$1/pg/data/postmaster.pid" ] || return 0
  say "The database was not stopped properly; it recovers by itself"
  sleep 1
  rm -f "$1/pg/data/postmaster.pid"
}

# The socket's folder has to be short: its path may not pass 107 bytes.
pg_socket_dir() {
  local dir="/tmp/kiln-ryu-$(cat "$1/pg.port")"
  mkdir -p "$dir"
  [ "$(id -u)" = 0 ] && chown "$ACCOUNT": "$dir"
  chmod 700 "$dir"
  echo "$dir"
}

pg_start() {
  local home="$1"
  pg_running "$home" && return 0
  pg_clear_crash "$home"
  if port_taken "$(cat "$home/pg.port")"; then
    say "Port $(cat "$home/pg.port") of the database is taken by another program; taking a free one"
    free_port >"$home/pg.port"
  fi
  local port socket
  port=$(cat "$home/pg.port")
  socket=$(pg_socket_dir "$home")
  # kept over starts, not for ever
  [ "$(stat -c %s "$home/pg/log" 2>/dev/null || echo 0)" -gt 10000000 ] && mv "$home/pg/log" "$home/pg/log.1"
  # After a crash the helpers of the old server may hold its memory for some seconds more.
  local tries=6
  until as_account "$PG_BIN/pg_ctl" -D "$home/pg/data" -l "$home/pg/log" -w -t 60 \
    -o "-h 127.0.0.1 -p $port -k $socket" start >/dev/null 2>&1; do
    tries=$((tries - 1))
    [ $tries -gt 0 ] || fail "PostgreSQL did not start; see $home/pg/log"
    sleep 2
  done
}

pg_stop() {
  pg_running "$1" || return 0
  as_account "$PG_BIN/pg_ctl" -D "$1/pg/data" -m fast -w -t 60 stop >/dev/null
  rm -rf "/tmp/kiln-ryu-$(cat "$1/pg.port")"
}

# pg_sql HOME DATABASE SQL
pg_sql() {
  PGPASSWORD=$(cat "$1/pg.password") "$PG_BIN/psql" -h 127.0.0.1 -p "$(cat "$1/pg.port")" -U postgres -d "$2" -qtAX -c "$3"
}

# pg_database HOME DATABASE: the database, its owner who alone may change tables, and the application's role that may only
# read and write them. Neither is a superuser.
pg_database() {
  local home="$1" database="$2"
  secret "$home/pg.owner.password"
  secret "$home/pg.app.password"
  [ "$(pg_sql "$home" postgres "select 1 from pg_database where datname = '$database'")" = 1 ] \
    || pg_sql "$home" postgres "create database $database"
  pg_sql "$home" "$database" "
    set client_min_messages = warning;
    do \$\$ begin
      if not exists (select from pg_roles where rolname = 'kiln_ryu_owner') then create role kiln_ryu_owner; end if;
      if not exists (select from pg_roles where rolname = 'kiln_ryu_app') then create role kiln_ryu_app; end if;
    end \$\$;
    alter role kiln_ryu_owner login nosuperuser nocreatedb nocreaterole password '$(cat "$home/pg.owner.password")';
    alter role kiln_ryu_app login nosuperuser nocreatedb nocreaterole password '$(cat "$home/pg.app.password")';
    alter database $database owner to kiln_ryu_owner;
    alter schema public owner to kiln_ryu_owner;
    do \$\$ declare o record; begin
      for o in select format('alter %s %s owner to kiln_ryu_owner',
                             case c.relkind when 'S' then 'sequence' when 'v' then 'view' else 'table' end, c.oid::regclass) as change
                 from pg_class c join pg_roles r on r.oid = c.relowner
                where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'v', 'p') and r.rolname <> 'kiln_ryu_owner'
      loop execute o.change; end loop;
    end \$\$;
    grant usage on schema public to kiln_ryu_app;
    grant select, insert, update, delete on all tables in schema public to kiln_ryu_app;
    grant usage, select on all sequences in schema public to kiln_ryu_app;
    alter default privileges for role kiln_ryu_owner in schema public grant select, insert, update, delete on tables to kiln_ryu_app;
    alter default privileges for role kiln_ryu_owner in schema public grant usage, select on sequences to kiln_ryu_app"
}

# Hands address and credentials to a program started from this shell.
pg_export() {
  export KILN_RYU_DB_URL="jdbc:postgresql://127.0.0.1:$(cat "$1/pg.port")/$2"
  export KILN_RYU_DB_USER=kiln_ryu_app KILN_RYU_DB_OWNER=kiln_ryu_owner
  KILN_RYU_DB_PASSWORD=$(cat "$1/pg.app.password")
  KILN_RYU_DB_OWNER_PASSWORD=$(cat "$1/pg.owner.password")
  export KILN_RYU_DB_PASSWORD KILN_RYU_DB_OWNER_PASSWORD
}
