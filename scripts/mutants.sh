#!/usr/bin/env bash
# Killed and surviving mutants by package, and the ten classes with the weakest tests; from the CSV of a run.
set -euo pipefail
awk -F, '
  { split($2, path, "."); package = path[3]; n = split($2, name, "."); class = name[n]; sub(/\$.*/, "", class)
    all[package]++; of[package "." class]++
    if ($6 == "KILLED" || $6 == "TIMED_OUT" || $6 == "MEMORY_ERROR") { killed[package]++; caught[package "." class]++ } }
  END {
    for (p in all) printf "package %-10s %5d mutants, %3.0f %% killed\n", p, all[p], 100 * killed[p] / all[p]
    for (c in of) if (of[c] >= 10) printf "%5.1f %% killed of %4d mutants: %s\n", 100 * caught[c] / of[c], of[c], c | "sort -n | head -10"
  }' "$1"
