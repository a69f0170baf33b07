# A school's own: new-school, add-teacher, let-in, start, well, backup, restore, check-backup, drop-replaced, upgrade, import, export.
# The database is a private cluster of this folder, or one that UMBICK_OWNER, UMBICK_APP and UMBICK_BACKUP name.

school_keys="$state/school.keys.pfx"

# What the verbs have in common: the tools, the build, the database, for as long as they run.
with_school_database() {
  need_tools
  school_database
  # Under a site that runs nothing is built: it goes on with what it was started with, until it is stopped and upgraded.
  if school_site_runs; then return 0; fi
  build_site
  cli recover
}

school_database() {
  export UMBICK_PG_BIN
  if [ -n "${UMBICK_OWNER:-}" ]; then
    UMBICK_PG_BIN=$(postgres_bin)
    return 0
  fi
  need_packages postgresql
  UMBICK_PG_BIN=$(postgres_bin)
  if school_site_runs || school_is_running; then await_database; fi
  if school_is_running; then
    use_running_school
  else
    take_lock school
    trap stop_all EXIT
    trap 'exit 130' INT
    trap 'exit 143' TERM HUP
    start_cluster school
  fi
  source "$state/school.secrets"
  export UMBICK_BACKUP="Host=127.0.0.1;Port=$cluster_port;Database=umbick;Username=postgres;Password=$super_password"
  UMBICK_DATA=$(data_folder)
  export UMBICK_DATA
}

# Under a site that runs, a database that has ended is started again within seconds, and recovers for seconds more: this waits for it.
await_database() {
  local tries=0
  until server_answers "$clusters/school"; do
    tries=$((tries + 1))
    [ "$tries" -lt 60 ] || fail "the database does not answer; see $clusters/school/log"
    sleep 1
  done
}

school_is_running() {
  [ -s "$state/school.secrets" ] && server_runs "$clusters/school"
}

# Goes in by the cluster that ./umbick start, or another verb, has running.
use_running_school() {
  cluster_port=$(as_postgres sed -n 4p "$clusters/school/postmaster.pid")
  source "$state/school.secrets"
  connect_to_cluster
}

new_school() {
  with_school_database
  cli prepare
  cli certificate "$school_keys"
  cli new-school "$@"
  say_where >&2
  say 'Next: ./umbick start' >&2
}

add_teacher() { with_school_database; cli add-teacher "$@"; }

let_in() {
  with_school_database
  cli let-in ${site_address:+--address "$site_address"} "$@"
}

import_file() { with_school_database; cli import "$@"; }

export_school() { with_school_database >&2; cli export "$@"; }

backup() {
  with_school_database
  cli backup "$@"
  say 'The wrapping key is not in it. Copy this file once, to a place where no backup is:' >&2
  say "  $school_keys" >&2
}

check_backup() { with_school_database; cli check-backup "$@"; }

restore() {
  if [ -z "${UMBICK_OWNER:-}" ] && school_site_runs; then fail 'the site runs. Stop it first: what is answered while a backup is put in its place would be lost.'; fi
  with_school_database
  cli certificate "$school_keys"
  cli restore "$@"
}

drop_replaced() { with_school_database; cli drop-replaced; }

# well: whether all is well, with an exit code that a timer can act on.
well() {
  with_school_database
  UMBICK_CERTIFICATE=$(cat "$state/school.certificate" 2>/dev/null || true)
  UMBICK_RUNNING=$(cat "$state/school.version" 2>/dev/null || true)
  UMBICK_INSTALLED=$(git -C "$root" rev-parse HEAD 2>/dev/null || true)
  UMBICK_SITE=no
  if school_site_runs; then UMBICK_SITE=yes; fi
  export UMBICK_CERTIFICATE UMBICK_RUNNING UMBICK_INSTALLED UMBICK_SITE
  cli well
}

# upgrade: backs up, brings the database up to date, and says the way back.
upgrade() {
  local file commit mend=''
  case "${1:-}" in
    '') ;;
    --mend) mend=--mend ;;
    *) fail "upgrade has no option $1. There is: --mend." ;;
  esac
  if [ -z "${UMBICK_OWNER:-}" ] && school_site_runs; then fail 'the site runs. Stop it first, upgrade, then start it again.'; fi
  with_school_database
  install -d -m 700 "$state/backups"
  file="$state/backups/before-upgrade-$(date -u +%Y-%m-%dT%H%M%S).backup"
  cli backup "$file"
  cli prepare $mend
  commit=$(cat "$state/school.version" 2>/dev/null || true)
  say 'The database is up to date.'
  say "The way back: git checkout ${commit:-the version from before}, then ./umbick restore $file --replace --as-it-was"
  note_version
}

note_version() { git -C "$root" rev-parse HEAD 2>/dev/null >"$state/school.version" || true; }

school_site_runs() {
  local pid
  pid=$(cat "$state/school.pid" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -qF "$root/artifacts/publish/Umbick.Web/"
}

# start [--certificate FILE --key FILE --host NAME [--port N]] [--proxy ADDRESS --host NAME [--port N]]: runs until it is stopped.
start() {
  local certificate='' key='' proxy='' hosts='' port='' urls='' here='' site='' plan name value
  [ -z "${UMBICK_AHEAD:-}" ] || fail 'UMBICK_AHEAD is set: the clock would run ahead. Only the demonstration does that.'
  need_tools
  if school_site_runs; then fail 'it runs already.'; fi
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  if [ -z "${UMBICK_OWNER:-}" ]; then
    take_lock school
    [ -s "$state/school.secrets" ] || fail 'there is no school yet. ./umbick new-school makes one.'
    need_packages postgresql
    build_site
    stop_stale_site school
    # Options are read, and files looked at, before anything is started.
    plan=$(cli start-plan "$@")
    start_cluster school
    source "$state/school.secrets"
    export UMBICK_BACKUP="Host=127.0.0.1;Port=$cluster_port;Database=umbick;Username=postgres;Password=$super_password"
  else
    build_site
    plan=$(cli start-plan "$@")
    stop_stale_site school
  fi
  while IFS='=' read -r name value; do
    case $name in
      certificate) certificate=$value ;;
      key) key=$value ;;
      proxy) proxy=$value ;;
      hosts) hosts=$value ;;
      port) port=$value ;;
      urls) urls=$value ;;
      here) here=$value ;;
      site) site=$value ;;
    esac
  done <<<"$plan"
  cli may-start
  [ -s "$school_keys" ] || fail "the wrapping key is missing: $school_keys. Copy it back, or make a new one by ./umbick restore; then everybody signs in again."
  is_taken "$port" && fail "port $port is taken. --port names another."
  install -d -m 700 "$state/logs"
  if [ -n "$certificate" ]; then
    export ASPNETCORE_Kestrel__Certificates__Default__Path=$certificate
    if [ -n "$key" ]; then export ASPNETCORE_Kestrel__Certificates__Default__KeyPath=$key; fi
  fi
  UMBICK_DATA=$(data_folder)
  export UMBICK_KEYS=$school_keys UMBICK_HOSTS=$hosts UMBICK_PROXY=$proxy UMBICK_LOGS="$state/logs" UMBICK_CERTIFICATE=$certificate UMBICK_DATA
  # The site never holds the owner's password.
  env -u UMBICK_OWNER -u UMBICK_BACKUP ASPNETCORE_ENVIRONMENT=Production dotnet "$root/artifacts/publish/Umbick.Web/release/Umbick.Web.dll" \
    --contentRoot "$root/artifacts/publish/Umbick.Web/release" --urls "$urls" >"$state/school.site.log" 2>&1 9>&- &
  site_pid=$!
  printf '%s' "$site_pid" >"$state/school.pid"
  cli await-ready "$here" --process "$site_pid" || { tail -n 20 "$state/school.site.log" >&2; fail 'the site stopped while starting.'; }
  note_version
  printf '%s' "$certificate" >"$state/school.certificate"
  printf '%s' "$site" >"$state/school.address"
  say "Umbick is at $site"
  say_where
  say 'Ctrl-C or TERM stops it.'
  watch_site
}

site_address=$(cat "$state/school.address" 2>/dev/null || true)

# Where the data lies, as far as this user can see into it.
data_folder() { if [ -d "$clusters" ]; then printf '%s' "$clusters"; else printf '%s' "$state"; fi; }

say_where() {
  if [ -n "${UMBICK_OWNER:-}" ] && [ -z "$cluster" ]; then say 'The database is the one that UMBICK_OWNER names.'; else say "The database lies in $clusters/school"; fi
  say "The wrapping key lies in $school_keys, the logs in $state/logs"
}
