#!/usr/bin/env bash
# Called by ./kiln-ryu bench with a scratch database: measures core, start and pages, writes docs/benchmarks.md.
set -euo pipefail
cd "$ROOT"
. "$ROOT/scripts/java.sh"
out="$ROOT/docs/benchmarks.md"
work=$(mktemp -d /tmp/kiln-ryu-bench.XXXXXX)
trap 'kill ${app:-} 2>/dev/null || true; wait ${app:-} 2>/dev/null || true; rm -rf "$work"' EXIT

echo "Building the benchmarks" >&2
mvn -q -B -DskipTests -Dspotless.check.skip -pl bench -am package >&2
classes="bench/target/classes:bench/target/lib/*"

echo "Core, by JMH" >&2
java -cp "$classes" kilnryu.bench.CoreRun "$work/rows.csv" >"$work/jmh.log"

port=$((21000 + RANDOM % 9000))
export KILN_RYU_PORT=$port KILN_RYU_DEMO=true
start() {
  (cd "$RUN" && exec java "${JAVA_FLAGS[@]}" -XX:SharedArchiveFile=app.jsa -jar kiln-ryu.jar >"$work/app.log" 2>&1) &
  app=$!
}
wait_first_page() {
  until (exec 3<>"/dev/tcp/127.0.0.1/$port" && printf 'GET /login HTTP/1.0\r\nHost: a\r\n\r\n' >&3 && grep -q "Sign in" <&3) 2>/dev/null; do sleep 0.05; done
}
wait_demo() { until grep -q "demo studio loaded" "$work/app.log"; do sleep 0.2; done; }
[ -f "$RUN/app.jsa" ] || (cd "$RUN" && KILN_RYU_DEMO=false java "${JAVA_FLAGS[@]}" -XX:ArchiveClassesAtExit=app.jsa -Dserver.port=0 -Dkilnryu.rehearse=true -jar kiln-ryu.jar >"$work/archive.log" 2>&1) || true

echo "Start to the first page, after a first start that migrates" >&2
start; wait_first_page; wait_demo; kill "$app"; wait "$app" 2>/dev/null || true
for n in 1 2 3 4 5; do
  from=$(date +%s%N); start; wait_first_page; to=$(date +%s%N)
  echo "$(((to - from) / 1000000))" >>"$work/starts"
  echo "start $n: $(((to - from) / 1000000)) ms" >&2
  kill "$app"; wait "$app" 2>/dev/null || true
done

sort -n "$work/starts" | awk '{v[NR] = $1} END {printf "start of the built application to its first page,%s,%s,%s,6000\n", v[3], v[1], v[5]}' >>"$work/rows.csv"

echo "Pages with 5000 trees" >&2
start; wait_first_page; sleep 3
java -cp "$classes" kilnryu.bench.PageLoad "http://127.0.0.1:$port" 5000 "$work/rows.csv"
kill "$app"; wait "$app" 2>/dev/null || true

echo "Ten years of records, by SQL" >&2
psql() { PGPASSWORD=$(cat "$SCRATCH/pg.password") "$PG_BIN/psql" -h 127.0.0.1 -p "$(cat "$SCRATCH/pg.port")" -U postgres -d kilnryu_test -q "$@"; }
psql -v ON_ERROR_STOP=1 -1 -f "$ROOT/bench/ten-years.sql"
psql -c "vacuum analyze"
start; wait_first_page; sleep 3
java -cp "$classes" kilnryu.bench.PageLoad "http://127.0.0.1:$port" 5000 "$work/rows.csv" years
rss=$(awk '/VmRSS/ {print int($2 / 1024)}' "/proc/$app/status")

# what ./kiln-ryu mutants found stands below the measured rows and stays
mutants=$(sed -n '/^## Mutants/,$p' "$out" 2>/dev/null || true)

{
  echo "# Benchmarks"
  echo
  echo "Last run of \`./kiln-ryu bench\`, $(date -u +%Y-%m-%d), on $(nproc) cores ($(sed -n 's/model name[^:]*: //p' /proc/cpuinfo | head -1)), $(($(sed -n 's/MemTotal: *\([0-9]*\).*/\1/p' /proc/meminfo) / 1048576)) GiB, JDK $(java -version 2>&1 | sed -n 's/.*version "\([^"]*\)".*/\1/p'), PostgreSQL $("$PG_BIN"/postgres --version | sed 's/[^0-9]*\([0-9.]*\).*/\1/'). Every run adds its rows to [benchmarks.csv](benchmarks.csv); here each stands beside the run before, *slower* where it takes over 1.3 times as long, *over* where it is over what is asked. A quiet hour's median counts."
  echo
  java -cp "$classes" kilnryu.bench.History "$work/rows.csv" "$ROOT/docs/benchmarks.csv" "$(date -u +%Y-%m-%d)"
  echo
  echo "Rows of the core are JMH's, one thread; of heat they name cells of the grid and hours of the program. Rows of pages are waited by one client over loopback, with 5,000 trees stored; *ten years* means 5,000 trees, 5,000 firings that have ended, five of them with a log of two million readings, and 41 open shells besides, made by \`bench/ten-years.sql\`. With 32 clients at once each may wait 32 times as long. After the ten years' pages the application held $rss MB."
  if [ -n "$mutants" ]; then printf '\n%s\n' "$mutants"; fi
} >"$work/benchmarks.md"
mv "$work/benchmarks.md" "$out"
cat "$out"
