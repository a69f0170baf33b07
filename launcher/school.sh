# A school's own: new-school, add-teacher, let-in, start, well, backup, restore, check-backup, drop-replaced, upgrade, import, export.
# The database is a private cluster of this folder, or one that UMBICK_OWNER, UMBICK_APP and UMBICK_BACKUP name.

school_keys="$state/school.keys.pfx"

# What the verbs have in common: the tools, the build, the database, for as long as they run.
with_school_database() {
  need_tools
  school_database
  # Under a site that runs nothing is built: it goes on with what it was started with, until it is stopped and upgraded.
  if site_runs school; then return 0; fi
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
  if site_runs school || school_is_running; then await_database; fi
  if school_is_running; then
    use_running_school
  else
    take_lock school
    stop_all_at_end
    start_cluster school
  fi
  UMBICK_DATA=$(data_folder)
  export UMBICK_BACKUP="$super_connection" UMBICK_DATA
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

# need_age OPTION…: what is encrypted, or was, takes age.
need_age() {
  case " $* ${UMBICK_RECIPIENT:+--recipient}" in
    *' --recipient'* | *' --identity'*) need_packages age ;;
  esac
}

backup() {
  need_age "$@"
  with_school_database
  cli backup ${UMBICK_RECIPIENT:+--recipient "$UMBICK_RECIPIENT"} "$@"
  say 'The wrapping key is not in it. Copy this file once, to a place where no backup is:' >&2
  say "  $school_keys" >&2
}

check_backup() { need_age "$@"; with_school_database; cli check-backup "$@"; }

# stopped_first WHY: refuses what cannot be done while the site runs on a database of ours.
stopped_first() {
  if [ -z "${UMBICK_OWNER:-}" ] && site_runs school; then fail "the site runs. Stop it first$1"; fi
}

restore() {
  stopped_first ': what is answered while a backup is put in its place would be lost.'
  need_age "$@"
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
  UMBICK_INSTALLED=$(this_version)
  UMBICK_SITE=no
  if site_runs school; then UMBICK_SITE=yes; fi
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
  stopped_first ', upgrade, then start it again.'
  need_age
  with_school_database
  install -d -m 700 "$state/backups"
  file="$state/backups/before-upgrade-$(date -u +%Y-%m-%dT%H%M%S).backup"
  cli backup ${UMBICK_RECIPIENT:+--recipient "$UMBICK_RECIPIENT"} "$file"
  cli prepare $mend
  commit=$(cat "$state/school.version" 2>/dev/null || true)
  say 'The database is up to date.'
  if packaged; then
    say "The way back: unpack the package from before in this place, then ./umbick restore $file --replace --as-it-was"
  else
    say "The way back: git checkout ${commit:-the version from before}, then ./umbick restore $file --replace --as-it-was"
  fi
  this_version >"$state/school.version"
}

this_version() {
  if packaged; then cut -d' ' -f2 "$root/package.version"; else git -C "$root" rev-parse HEAD 2>/dev/null || true; fi
}

# start [--certificate FILE --key FILE --host NAME [--port N]] [--proxy ADDRESS --host NAME [--port N]]: runs until it is stopped.
start() {
  local certificate='' key='' proxy='' hosts='' port='' urls='' here='' site='' plan name value
  [ -z "${UMBICK_AHEAD:-}" ] || fail 'UMBICK_AHEAD is set: the clock would run ahead. Only the demonstration does that.'
  need_tools
  if site_runs school; then fail 'it runs already.'; fi
  stop_all_at_end
  if [ -z "${UMBICK_OWNER:-}" ]; then
    take_lock school
    [ -s "$state/school.secrets" ] || fail 'there is no school yet. ./umbick new-school makes one.'
    need_packages postgresql
    build_site
    stop_stale_site school
    # Options are read, and files looked at, before anything is started.
    plan=$(cli start-plan "$@")
    start_cluster school
    export UMBICK_BACKUP="$super_connection"
  else
    build_site
    plan=$(cli start-plan "$@")
    stop_stale_site school
  fi
  while IFS='=' read -r name value; do
    case $name in
      certificate | key | proxy | hosts | port | urls | here | site) printf -v "$name" %s "$value" ;;
    esac
  done <<<"$plan"
  cli may-start
  [ -s "$school_keys" ] || fail "the wrapping key is missing: $school_keys. Copy it back, or make a new one by ./umbick restore; \
then everybody signs in again."
  is_taken "$port" && fail "port $port is taken. --port names another."
  install -d -m 700 "$state/logs"
  UMBICK_DATA=$(data_folder)
  export UMBICK_KEYS=$school_keys UMBICK_HOSTS=$hosts UMBICK_PROXY=$proxy UMBICK_LOGS="$state/logs" UMBICK_CERTIFICATE=$certificate \
    UMBICK_CERTIFICATE_KEY=$key UMBICK_DATA
  serve school "$urls" "$here" "Umbick is at $site
$(say_where)
Ctrl-C or TERM stops it." --note "school.version=$(this_version)" --note "school.certificate=$certificate" --note "school.address=$site"
}

site_address=$(cat "$state/school.address" 2>/dev/null || true)

# Where the data lies, as far as this user can see into it.
data_folder() { if [ -d "$clusters" ]; then printf '%s' "$clusters"; else printf '%s' "$state"; fi; }

say_where() {
  if [ -n "${UMBICK_OWNER:-}" ] && [ -z "$cluster" ]; then
    say 'The database is the one that UMBICK_OWNER names.'
  else
    say "The database lies in $clusters/school"
  fi
  say "The wrapping key lies in $school_keys, the logs in $state/logs"
}
