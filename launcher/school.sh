# A school's own: new-school, add-teacher, let-in, start, backup, restore, check-backup, upgrade, import, export.
# The database is a private cluster of this folder, or one that UMBICK_OWNER, UMBICK_APP and UMBICK_BACKUP name.

school_keys="$state/school.keys.pfx"

# What the verbs have in common: the tools, the build, the database, for as long as they run.
with_school_database() {
  need_tools
  school_database
  # Under a site that runs nothing is built: it goes on with what it was started with, until it is stopped and upgraded.
  if school_site_runs; then return 0; fi
  build_site
}

school_database() {
  export UMBICK_PG_BIN
  if [ -n "${UMBICK_OWNER:-}" ]; then
    UMBICK_PG_BIN=$(postgres_bin)
    return 0
  fi
  need_packages postgresql
  UMBICK_PG_BIN=$(postgres_bin)
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
}

school_is_running() {
  [ -s "$state/school.secrets" ] && as_postgres test -f "$clusters/school/postmaster.pid" && as_postgres "$(postgres_bin)/pg_ctl" status -D "$clusters/school" >/dev/null 2>&1
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

# upgrade: backs up, brings the database up to date, and says the way back.
upgrade() {
  local file commit
  if [ -z "${UMBICK_OWNER:-}" ] && school_site_runs; then fail 'the site runs. Stop it first, upgrade, then start it again.'; fi
  with_school_database
  install -d -m 700 "$state/backups"
  file="$state/backups/before-upgrade-$(date -u +%Y-%m-%dT%H%M%S).backup"
  cli backup "$file"
  cli prepare
  commit=$(cat "$state/school.version" 2>/dev/null || true)
  say 'The database is up to date.'
  say "The way back: git checkout ${commit:-the version from before}, then ./umbick restore $file --replace --as-it-was"
  note_version
}

note_version() { git -C "$root" rev-parse HEAD 2>/dev/null >"$state/school.version" || true; }

school_site_runs() {
  local pid
  pid=$(cat "$state/school.pid" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -q "$root/artifacts/publish/Umbick.Web/"
}

# start [--certificate FILE --key FILE --host NAME [--port N]] [--proxy ADDRESS --host NAME [--port N]]: runs until it is stopped.
start() {
  local certificate='' key='' proxy='' hosts='' port='' urls here
  while [ $# -gt 0 ]; do
    case $1 in
      --certificate | --key | --proxy | --host | --port) [ $# -ge 2 ] || fail "$1 takes a value." ;;
      *) fail "start has no option $1. There are: --certificate FILE, --key FILE, --proxy ADDRESS, --host NAME, --port N." ;;
    esac
    case $1 in
      --certificate) certificate=$(realpath -e "$2") || fail "there is no file $2." ;;
      --key) key=$(realpath -e "$2") || fail "there is no file $2." ;;
      --proxy) proxy=$2 ;;
      --host) hosts="${hosts:+$hosts;}$2" ;;
      --port) port=$2 ;;
    esac
    shift 2
  done
  [ -z "${UMBICK_AHEAD:-}" ] || fail 'UMBICK_AHEAD is set: the clock would run ahead. Only the demonstration does that.'
  [ -z "$certificate" ] || [ -z "$proxy" ] || fail 'give a certificate or a proxy, not both: with a proxy the proxy has the certificate.'
  [ -z "$certificate$proxy" ] || [ -n "$hosts" ] || fail 'say by which name the site is reached: --host NAME.'
  if [ -n "$certificate" ]; then
    port=${port:-8443} urls="https://[::]:$port" here="https://127.0.0.1:$port"
    export ASPNETCORE_Kestrel__Certificates__Default__Path=$certificate
    [ -z "$key" ] || export ASPNETCORE_Kestrel__Certificates__Default__KeyPath=$key
  else
    port=${port:-5180} here="http://127.0.0.1:$port" urls=$here
    # A proxy on another machine reaches it from there; one on this machine needs nothing beyond it.
    case $proxy in '' | 127.* | ::1) ;; *) urls="http://[::]:$port" ;; esac
  fi
  need_tools
  if [ -z "${UMBICK_OWNER:-}" ] && school_is_running; then
    if school_site_runs; then fail 'it runs already.'; fi
  fi
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  if [ -z "${UMBICK_OWNER:-}" ]; then
    take_lock school
    [ -s "$state/school.secrets" ] || fail 'there is no school yet. ./umbick new-school makes one.'
    need_packages postgresql
    build_site
    stop_stale_site school
    start_cluster school
  else
    build_site
    stop_stale_site school
  fi
  cli may-start
  [ -s "$school_keys" ] || fail "the wrapping key is missing: $school_keys. Copy it back, or make a new one by ./umbick restore; then everybody signs in again."
  is_taken "$port" && fail "port $port is taken. --port names another."
  install -d -m 700 "$state/logs"
  export UMBICK_KEYS=$school_keys UMBICK_HOSTS=$hosts UMBICK_PROXY=$proxy UMBICK_LOGS="$state/logs" UMBICK_DATA=$(data_folder)
  # The site never holds the owner's password.
  env -u UMBICK_OWNER -u UMBICK_BACKUP ASPNETCORE_ENVIRONMENT=Production dotnet "$root/artifacts/publish/Umbick.Web/release/Umbick.Web.dll" \
    --contentRoot "$root/artifacts/publish/Umbick.Web/release" --urls "$urls" >"$state/school.site.log" 2>&1 9>&- &
  site_pid=$!
  printf '%s' "$site_pid" >"$state/school.pid"
  cli await-ready "$here" --process "$site_pid" || { tail -n 20 "$state/school.site.log" >&2; fail 'the site stopped while starting.'; }
  note_version
  local name=${hosts%%;*}
  if [ -n "$certificate" ]; then site="https://$name:$port"; elif [ -n "$proxy" ]; then site="https://$name"; else site=$here; fi
  printf '%s' "$site" >"$state/school.address"
  say "Umbick is at $site"
  say_where
  say 'Ctrl-C or TERM stops it.'
  wait "$site_pid"
}

site_address=$(cat "$state/school.address" 2>/dev/null || true)

# Where the data lies, as far as this user can see into it.
data_folder() { if [ -d "$clusters" ]; then printf '%s' "$clusters"; else printf '%s' "$state"; fi; }

say_where() {
  if [ -n "${UMBICK_OWNER:-}" ] && [ -z "$cluster" ]; then say 'The database is the one that UMBICK_OWNER names.'; else say "The database lies in $clusters/school"; fi
  say "The wrapping key lies in $school_keys, the logs in $state/logs"
}
