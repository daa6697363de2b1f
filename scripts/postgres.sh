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

# Runs a PostgreSQL program as the account the cluster belongs to: root may not run it, so root lends it to postgres.
# The lock of start and stop (9) is not handed on, else the server would hold it as long as it runs.
pg_as_owner() {
  if [ "$(id -u)" = 0 ]; then
    (cd / && runuser -u postgres -- "$@") 9>&-
  else
    (cd / && "$@") 9>&-
  fi
}

# Every folder above the data must let the cluster's account through.
pg_check_reachable() {
  local home="$1"
  [ "$(id -u)" = 0 ] || return 0
  pg_as_owner test -x "$home" || fail "The account postgres cannot enter $home (a folder above it is closed, such as one of mode 700). Set KILN_RYU_HOME to a folder it can reach, such as /var/lib/kiln-ryu."
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

# pg_make HOME: a cluster with a generated password, scram only, loopback only.
pg_make() {
  local home="$1"
  mkdir -p "$home"
  [ "$(id -u)" = 0 ] && chmod 711 "$home"
  pg_check_reachable "$home"
  if [ ! -s "$home/pg.password" ]; then
    (umask 077 && head -c 24 /dev/urandom | base64 | tr '+/' 'xy' >"$home/pg.password")
  fi
  [ -s "$home/pg.port" ] || { [ -n "${KILN_RYU_PG_PORT:-}" ] && echo "$KILN_RYU_PG_PORT" || free_port; } >"$home/pg.port"
  [ -f "$home/pg/data/PG_VERSION" ] && [ -f "$home/pg/made" ] && return 0
  say "Making a private PostgreSQL cluster"
  rm -rf "$home/pg"
  mkdir -p "$home/pg"
  cp "$home/pg.password" "$home/pg/pw" && chmod 600 "$home/pg/pw"
  [ "$(id -u)" = 0 ] && chown -R postgres "$home/pg"
  pg_as_owner "$PG_BIN/initdb" -D "$home/pg/data" -U postgres --pwfile="$home/pg/pw" -A scram-sha-256 \
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
  [ "$(id -u)" = 0 ] && chown postgres "$dir"
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
  # After a crash the helpers of the old server may hold its memory for some seconds more.
  local tries=6
  until pg_as_owner "$PG_BIN/pg_ctl" -D "$home/pg/data" -l "$home/pg/log" -w -t 60 \
    -o "-h 127.0.0.1 -p $port -k $socket" start >/dev/null 2>&1; do
    tries=$((tries - 1))
    [ $tries -gt 0 ] || fail "PostgreSQL did not start; see $home/pg/log"
    sleep 2
  done
}

pg_stop() {
  pg_running "$1" || return 0
  pg_as_owner "$PG_BIN/pg_ctl" -D "$1/pg/data" -m fast -w -t 60 stop >/dev/null
  rm -rf "/tmp/kiln-ryu-$(cat "$1/pg.port")"
}

# pg_sql HOME DATABASE SQL
pg_sql() {
  PGPASSWORD=$(cat "$1/pg.password") "$PG_BIN/psql" -h 127.0.0.1 -p "$(cat "$1/pg.port")" -U postgres -d "$2" -qtAX -c "$3"
}

pg_database() {
  [ "$(pg_sql "$1" postgres "select 1 from pg_database where datname = '$2'")" = 1 ] \
    || pg_sql "$1" postgres "create database $2"
}

# Hands address and credentials to a program started from this shell.
pg_export() {
  export KILN_RYU_DB_URL="jdbc:postgresql://127.0.0.1:$(cat "$1/pg.port")/$2"
  export KILN_RYU_DB_USER=postgres
  KILN_RYU_DB_PASSWORD=$(cat "$1/pg.password")
  export KILN_RYU_DB_PASSWORD
}
