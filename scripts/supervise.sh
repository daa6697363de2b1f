#!/usr/bin/env bash
# supervise.sh HOME JAVA-ARGUMENTS...: runs the application and keeps its number in HOME/app.pid. Out of memory it ends by
# itself and is started again, as it is when the kernel took it or the Java machine fell; not more than five times in ten
# minutes. Whatever else it ends with, it stays ended.
set -u
home=$1
shift
child=""
ended() {
  [ -n "$child" ] && kill -TERM "$child" 2>/dev/null && wait "$child"
  rm -f "$home/app.pid" "$home/supervisor.pid"
  exit 0
}
trap ended TERM INT
echo $$ >"$home/supervisor.pid"
starts=()
while :; do
  java "$@" >>"$home/app.out" 2>&1 </dev/null &
  child=$!
  echo "$child" >"$home/app.pid"
  wait "$child"
  code=$?
  case $code in 3 | 134 | 137 | 139) ;; *) break ;; esac
  now=$(date +%s)
  recent=("$now")
  for at in "${starts[@]:-}"; do [ -n "$at" ] && [ $((now - at)) -lt 600 ] && recent+=("$at"); done
  starts=("${recent[@]}")
  why="ended with $code"
  [ $code = 3 ] && why="was out of memory"
  if [ "${#starts[@]}" -gt 5 ]; then
    echo "$(date '+%F %T') the application $why five times in ten minutes; it is left ended" >>"$home/app.out"
    break
  fi
  echo "$(date '+%F %T') the application $why; starting it again" >>"$home/app.out"
  sleep 1
done
rm -f "$home/app.pid" "$home/supervisor.pid"
exit "$code"
