# Debian packages Kiln Ryu needs, installed when missing. Needs: say, fail, pg_find.

java_17() {
  command -v javac >/dev/null && [ "$(javac -version 2>&1 | sed -E 's/javac ([0-9]+).*/\1/')" -ge 17 ] 2>/dev/null
}

# missing_packages run|test
missing_packages() {
  local missing=()
  java_17 || missing+=(openjdk-17-jdk-headless)
  command -v mvn >/dev/null || missing+=(maven)
  pg_find || missing+=(postgresql-15)
  command -v fc-match >/dev/null && [ -n "$(fc-match -f '%{file}' 2>/dev/null)" ] || missing+=(fontconfig fonts-dejavu-core)
  command -v ps >/dev/null || missing+=(procps)
  [ "$1" = run ] || [ -x /usr/bin/chromium ] || missing+=(chromium)
  echo "${missing[*]}"
}

need_packages() {
  local missing sudo=""
  missing=$(missing_packages "$1")
  pg_find || true
  [ -n "$missing" ] || return 0
  local command="apt-get update && apt-get install -y --no-install-recommends $missing"
  if [ "$(id -u)" != 0 ]; then
    if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
      sudo="sudo"
    else
      fail "Packages are missing. As root or with sudo, run:
  $command"
    fi
  fi
  command -v apt-get >/dev/null || fail "This is not Debian: install what corresponds to: $missing"
  say "Installing $missing"
  # Debian would otherwise make and start a cluster of its own.
  if [ ! -e /etc/postgresql-common/createcluster.d/kiln-ryu.conf ]; then
    $sudo mkdir -p /etc/postgresql-common/createcluster.d
    echo "create_main_cluster = false" | $sudo tee /etc/postgresql-common/createcluster.d/kiln-ryu.conf >/dev/null
  fi
  # shellcheck disable=SC2086
  { $sudo apt-get update -qq && $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing; } >&2 \
    || fail "Installing failed. The command was:
  $command"
  pg_find || fail "PostgreSQL is still not to be found under /usr/lib/postgresql."
  java_17 || fail "Java 17 is installed but another, older javac comes first on the PATH."
}
