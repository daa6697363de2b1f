# Backups while the application runs, and their way back into an empty data folder. A backup is one file: the database as
# it stood at one moment, and what every table held then, by which a restore is proved. Needs: say, fail, pg_*.

# What every table holds: its rows and a sum over their text that does not ask for their order.
backup_tables() {
  cat <<'SQL'
select string_agg(format('select %L || '' '' || count(*) || '' '' || coalesce(sum(hashtextextended(t::text, 0)::numeric), 0) from %s t',
                         c.oid::regclass, c.oid::regclass), ' union all ' order by c.oid::regclass::text collate "C")
  from pg_class c
 where c.relnamespace = 'public'::regnamespace and c.relkind = 'r'
SQL
}

schema_of() {
  pg_sql "$1" kilnryu "select coalesce(max(version::int), 0) from flyway_schema_history where success" 2>/dev/null || echo 0
}

schema_here() {
  find "$ROOT/app/src/main/resources/db/migration" -name 'V*.sql' | sed -E 's/.*\/V([0-9]+)__.*/\1/' | sort -n | tail -n 1
}

# backup_write HOME FILE
backup_write() {
  local home="$1" file="$2" work snapshot query line
  work=$(mktemp -d "${TMPDIR:-/tmp}/kiln-ryu-backup.XXXXXX")
  chmod 700 "$work"
  # one transaction holds the moment: the dump and the sums see the same rows
  coproc MOMENT { PGPASSWORD=$(cat "$home/pg.password") "$PG_BIN/psql" -h 127.0.0.1 -p "$(cat "$home/pg.port")" -U postgres -d kilnryu -qtAX 2>&1; }
  local psql_pid=$MOMENT_PID
  printf 'begin isolation level repeatable read read only;\nselect pg_export_snapshot();\n' >&"${MOMENT[1]}"
  read -r -t 60 snapshot <&"${MOMENT[0]}" || fail "The database did not answer."
  PGPASSWORD=$(cat "$home/pg.password") "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$(cat "$home/pg.port")" -U postgres -d kilnryu \
    --snapshot="$snapshot" --format=custom --compress=6 --no-owner --no-privileges --file="$work/database" \
    || { rm -rf "$work"; fail "The database could not be written out."; }
  query=$(pg_sql "$home" kilnryu "$(backup_tables)")
  printf '%s;\nselect $$.$$;\n' "$query" >&"${MOMENT[1]}"
  : >"$work/tables"
  while read -r -t 3600 line <&"${MOMENT[0]}"; do
    [ "$line" = . ] && break
    printf '%s\n' "$line" >>"$work/tables"
  done
  printf 'commit;\n\\q\n' >&"${MOMENT[1]}"
  wait "$psql_pid" 2>/dev/null || true
  sort -o "$work/tables" "$work/tables"
  grep -q '^flyway_schema_history ' "$work/tables" || { rm -rf "$work"; fail "The tables could not be summed."; }
  printf 'kiln-ryu-backup 1\nschema %s\nmade %s\n' "$(schema_of "$home")" "$(date -u +%FT%TZ)" >"$work/about"
  "$PG_BIN/pg_restore" --list "$work/database" >/dev/null || { rm -rf "$work"; fail "What was written out cannot be read again."; }
  (umask 077 && tar -C "$work" -cf "$file.part" about tables database) && mv "$file.part" "$file" \
    || { rm -rf "$work" "$file.part"; fail "Could not write $file."; }
  rm -rf "$work"
}

# backup_read HOME FILE: into a home whose database holds nothing yet
backup_read() {
  local home="$1" file="$2" work query
  work=$(mktemp -d "${TMPDIR:-/tmp}/kiln-ryu-restore.XXXXXX")
  chmod 700 "$work"
  tar -C "$work" -xf "$file" about tables database 2>/dev/null || { rm -rf "$work"; fail "$file is no backup of Kiln Ryu."; }
  head -n 1 "$work/about" | grep -qx 'kiln-ryu-backup 1' || { rm -rf "$work"; fail "$file is a backup of a newer Kiln Ryu."; }
  [ "$(sed -n 's/^schema //p' "$work/about")" -le "$(schema_here)" ] || { rm -rf "$work"; fail "$file is a backup of a newer Kiln Ryu: update this one first."; }
  PGPASSWORD=$(cat "$home/pg.owner.password") "$PG_BIN/pg_restore" -h 127.0.0.1 -p "$(cat "$home/pg.port")" -U kiln_ryu_owner -d kilnryu \
    --no-owner --no-privileges --exit-on-error --single-transaction "$work/database" \
    || { rm -rf "$work"; fail "The backup could not be read in."; }
  query=$(pg_sql "$home" kilnryu "$(backup_tables)")
  pg_sql "$home" kilnryu "$query" | sort >"$work/now"
  if ! diff "$work/tables" "$work/now" >&2; then rm -rf "$work"; fail "These tables came back otherwise than they were."; fi
  say "Every table is as it was: $(wc -l <"$work/now") tables, $(awk '{ rows += $2 } END { print rows }' "$work/now") rows"
  rm -rf "$work"
}
