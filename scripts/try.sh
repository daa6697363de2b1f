#!/usr/bin/env bash
# try.sh: what ./kiln-ryu does with a data folder, tried on folders of its own: start, faults, backup, restore, upgrade.
# Part of ./kiln-ryu test; needs what that has built.
set -euo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
say() { :; }
fail() { echo "FAILED: $*" >&2; exit 1; }
. "$ROOT/scripts/postgres.sh"
pg_find

WORK=$(mktemp -d /tmp/kiln-ryu-try.XXXXXX)
chmod 755 "$WORK"
export KILN_RYU_HOME="$WORK/one" KILN_RYU_PORT
KILN_RYU_PORT=$(free_port)
trap 'for h in one two; do KILN_RYU_HOME="$WORK/$h" "$ROOT/kiln-ryu" stop >/dev/null 2>&1 || true; done; rm -rf "$WORK"' EXIT

run() { "$ROOT/kiln-ryu" "$@" 2>&1; }
sql() { pg_sql "$KILN_RYU_HOME" kilnryu "$1"; }

# get ADDRESS: status and body
get() {
  exec 4<>"/dev/tcp/127.0.0.1/$KILN_RYU_PORT" || return 1
  printf 'GET %s HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' "$1" >&4
  timeout 20 cat <&4 || true
  exec 4>&-
}

# post ADDRESS [FORM]: its status, asked by the demo account
post() {
  local cookies token
  exec 4<>"/dev/tcp/127.0.0.1/$KILN_RYU_PORT"
  printf 'GET /login HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&4
  local page
  page=$(timeout 20 cat <&4 || true)
  exec 4>&-
  token=$(printf '%s' "$page" | sed -nE 's/.*name="_csrf" value="([^"]+)".*/\1/p' | head -n 1)
  cookies=$(printf '%s' "$page" | sed -nE 's/^[Ss]et-[Cc]ookie: (XSRF-TOKEN=[^;]+).*/\1/p' | tr -d '\r' | head -n 1)
  local body="username=demo&password=estuary&_csrf=$token"
  exec 4<>"/dev/tcp/127.0.0.1/$KILN_RYU_PORT"
  printf 'POST /login HTTP/1.0\r\nHost: 127.0.0.1\r\nCookie: %s\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: %d\r\n\r\n%s' "$cookies" "${#body}" "$body" >&4
  local session
  session=$(timeout 20 cat <&4 | sed -nE 's/^[Ss]et-[Cc]ookie: (kiln_ryu=[^;]+).*/\1/p' | tr -d '\r' | head -n 1)
  exec 4>&-
  [ -n "$session" ] || { echo "could not sign in"; return; }
  body="${2:-version=0&name=Egret}&_csrf=$token"
  exec 4<>"/dev/tcp/127.0.0.1/$KILN_RYU_PORT"
  printf 'POST %s HTTP/1.0\r\nHost: 127.0.0.1\r\nCookie: %s; %s\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: %d\r\n\r\n%s' "$1" "$cookies" "$session" "${#body}" "$body" >&4
  timeout 20 cat <&4 | head -n 1
  exec 4>&-
}

# expect WORDS IN
expect() {
  case $2 in *"$1"*) ;; *) fail "expected \"$1\" in: $(printf '%s' "$2" | tail -c 600)" ;; esac
}

refused() {
  local said
  if said=$(run "$@"); then fail "$* should be refused"; fi
  printf '%s' "$said"
}

echo "a start on an empty folder"
expect "Kiln Ryu is at" "$(run start)"
expect "200" "$(get /login | head -n 1)"
[ "$(stat -c %a "$KILN_RYU_HOME")" = 700 ] || fail "the data folder is open to others"
for log in "$KILN_RYU_HOME"/*.log; do [ "$(stat -c %a "$log")" = 600 ] || fail "$log is open to others"; done
[ "$(sql "select count(*) from pg_stat_activity where usename = 'kiln_ryu_app'")" -gt 0 ] || fail "the application connects as another role"
[ "$(sql "select count(*) from pg_roles where rolname like 'kiln_ryu%' and (rolsuper or rolcreatedb or rolcreaterole)")" = 0 ] || fail "a role may too much"
if PGPASSWORD=$(cat "$KILN_RYU_HOME/pg.app.password") "$PG_BIN/psql" -h 127.0.0.1 -p "$(cat "$KILN_RYU_HOME/pg.port")" -U kiln_ryu_app -d kilnryu -c 'create table t ()' >/dev/null 2>&1; then fail "the application may make tables"; fi
if [ "$(id -u)" = 0 ]; then
  [ "$(ps -o user= -p "$(cat "$KILN_RYU_HOME/app.pid")" | tr -d ' ')" = "$ACCOUNT" ] || fail "the application runs as root"
fi
expect "Already running" "$(run start)"
expect "302" "$(post /account/units system=METRIC)"
expect "signed in login=demo" "$(cat "$KILN_RYU_HOME/security.log")"

echo "the database killed beside a living application"
kill -9 "$(head -n 1 "$KILN_RYU_HOME/pg/data/postmaster.pid")"
sleep 1
from=$(date +%s)
away=$(get /login)
expect "503" "$(printf '%s' "$away" | head -n 1)"
expect "Nothing you saved is lost" "$away"
[ $(($(date +%s) - from)) -le 5 ] || fail "the page took longer than five seconds"
expect "200" "$(get /actuator/health/liveness | head -n 1)"
expect "503" "$(get /actuator/health/readiness | head -n 1)"
expect "The database is back" "$(run start)"
expect "200" "$(get /login | head -n 1)"

echo "the application killed: its supervisor starts it again"
killed=$(cat "$KILN_RYU_HOME/app.pid")
kill -9 "$killed"
for _ in $(seq 1 600); do
  [ "$(cat "$KILN_RYU_HOME/app.pid" 2>/dev/null || echo "$killed")" != "$killed" ] && get /login 2>/dev/null | head -n 1 | grep -q 200 && break
  sleep 0.2
done
expect "Already running" "$(run start)"
expect "starting it again" "$(cat "$KILN_RYU_HOME/app.out")"

echo "a tap at the wash bench outlives kill -9 of application and database, and counts once"
tree=$(sql "select tree_id from break_out where state = 'open' order by id limit 1")
[ -n "$tree" ] || fail "no mold of the demo studio is open"
tap="version=0&key=aaaaaaaa-0000-4000-8000-000000000001&kind=fact&fact=carry_s&value=77"
expect "302" "$(post "/breakout/$tree/tap" "$tap")"
killed=$(cat "$KILN_RYU_HOME/app.pid")
kill -9 "$killed" "$(head -n 1 "$KILN_RYU_HOME/pg/data/postmaster.pid")"
sleep 1
run start >/dev/null || run start >/dev/null
expect "200" "$(get /login | head -n 1)"
taps() { sql "select count(*) from break_out_event e join break_out b on b.id = e.break_out_id where b.tree_id = $tree and e.kind = 'fact' and e.fields->>'fact' = 'carry_s' and e.fields->>'value' = '77'"; }
[ "$(taps)" = 1 ] || fail "a tap that was acknowledged is lost"
post "/breakout/$tree/tap" "$tap" >/dev/null
[ "$(taps)" = 1 ] || fail "a tap that was repeated counted twice"

echo "a backup while it runs, and back into an empty folder"
expect "Backed up into" "$(run backup "$WORK/kept.kiln-ryu")"
[ "$(stat -c %a "$WORK/kept.kiln-ryu")" = 600 ] || fail "the backup is open to others"
expect "never written over" "$(refused backup "$WORK/kept.kiln-ryu")"
expect "holds data already" "$(refused restore "$WORK/kept.kiln-ryu")"
trees=$(sql "select count(*) from tree")
[ "$trees" -gt 3 ] || fail "the demo studio is empty"
run stop >/dev/null
KILN_RYU_HOME="$WORK/two"
echo nonsense >"$WORK/none.kiln-ryu"
expect "no backup of Kiln Ryu" "$(refused restore "$WORK/none.kiln-ryu")"
rm -rf "$KILN_RYU_HOME"
expect "Every table is as it was" "$(run restore "$WORK/kept.kiln-ryu")"
expect "Kiln Ryu is at" "$(run start)"
[ "$(sql "select count(*) from tree")" = "$trees" ] || fail "trees were lost"
run stop >/dev/null

echo "an older data folder is backed up and brought up to date; a newer one is refused"
expect "Kiln Ryu is at" "$(run start)"
latest=$(sql "select max(version::int) from flyway_schema_history")
[ "$latest" = 24 ] || fail "say here how schema $latest is taken back by one"
sql "drop table foresight; delete from flyway_schema_history where version = '24'"
run stop >/dev/null
expect "backing it up before it is brought to $latest" "$(run start)"
ls "$KILN_RYU_HOME"/backups/schema-23-*.kiln-ryu >/dev/null
[ "$(sql "select count(*) from information_schema.tables where table_name = 'foresight'")" = 1 ] || fail "it was not brought up to date"
[ "$(sql "select count(*) from tree")" = "$trees" ] || fail "trees were lost"
sql "insert into flyway_schema_history select installed_rank + 100, '999', 'later', type, 'V999__later.sql', checksum, installed_by, now(), 1, true from flyway_schema_history order by installed_rank desc limit 1"
run stop >/dev/null
expect "newer Kiln Ryu" "$(refused start)"
[ "$(sql "select count(*) from flyway_schema_history where version = '999'")" = 1 ] || fail "a newer folder was changed"
run stop >/dev/null || true

KILN_RYU_HOME="$WORK/small"
mkdir -p "$KILN_RYU_HOME"
if [ "$(id -u)" = 0 ] && mount -t tmpfs -o size=420m none "$KILN_RYU_HOME" 2>/dev/null; then
  echo "a disk that fills up: refused before, nothing lost, back when there is room"
  trap 'for h in one two small; do KILN_RYU_HOME="$WORK/$h" "$ROOT/kiln-ryu" stop >/dev/null 2>&1 || true; done; umount "$WORK/small" 2>/dev/null || true; rm -rf "$WORK"' EXIT
  export KILN_RYU_DISK_RESERVE=40MB
  expect "Kiln Ryu is at" "$(run start)"
  before=$(sql "select count(*) from sheet_revision")
  dd if=/dev/zero of="$KILN_RYU_HOME/filler" bs=1M count=$(($(df -Pm "$KILN_RYU_HOME" | awk 'NR == 2 { print $4 }') - 30)) 2>/dev/null
  sleep 7
  expect "507" "$(post /trees/0/tree)"
  expect "200" "$(get /login | head -n 1)"
  # something else takes the rest, and the database falls
  dd if=/dev/zero of="$KILN_RYU_HOME/rest" bs=1M count=100 2>/dev/null || true
  kill -9 "$(head -n 1 "$KILN_RYU_HOME/pg/data/postmaster.pid")" || true
  sleep 1
  expect "The disk of" "$(refused start)"
  rm "$KILN_RYU_HOME/filler" "$KILN_RYU_HOME/rest"
  expect "The database is back" "$(run start)"
  [ "$(sql "select count(*) from sheet_revision")" = "$before" ] || fail "something that was saved is lost"
  run stop >/dev/null
  umount "$KILN_RYU_HOME"
else
  echo "not tried: a disk that fills up needs root and a mount"
fi
echo "all of it held"
