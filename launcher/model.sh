# ./umbick diagnose, sitting, simulate: the core at work, without a database. Standard output is theirs alone.

run_model() {
  case " $* " in *' --district '*) make_district "$@"; return ;; esac
  need_tools
  {
    take_lock build wait
    build_assets
    fetch_libraries
    stamped cli "$(fingerprint src/Umbick.{Core,Rows,Simulation,Training,Store,Casework,Demo,Cli} Directory.{Build,Packages}.props \
      .editorconfig package-lock.json)" compile_cli
    exec 9>&-
  } >&2
  cd "$caller"
  exec dotnet "$cli_assembly" "$@"
}

# simulate --district: 300 schools, 20,000 children and five million answers on a private cluster of their own; and beside it a database
# with the first of these schools alone. ./umbick bench district measures both.
make_district() {
  local district one=umbick_one
  take_lock district
  need_tools
  need_packages postgresql
  build_site
  stop_all_at_end
  start_cluster district fresh
  cli prepare
  cli "$@"
  say 'One school alone, beside it'
  as_super -c "create database $one owner umbick_owner" -c "revoke all on database $one from public" \
    -c "grant connect on database $one to umbick_app"
  as_super -d "$one" -c 'alter schema public owner to umbick_owner' -c 'revoke all on schema public from public'
  district=$UMBICK_OWNER
  export UMBICK_OWNER=${district/Database=umbick;/Database=$one;}
  cli prepare
  cli simulate --district --schools 1 --children 67 --answers 16750
  export UMBICK_OWNER=$district
  as_super -c 'vacuum analyze' -d umbick
  as_super -c 'vacuum analyze' -d "$one"
  as_super -d umbick -c "select count(*) as answers, (select count(*) from child) as children, (select count(*) from school) as schools, \
pg_database_size('umbick') / count(*) as bytes_an_answer from answer"
}

# ./umbick bench district: pages of a school among three hundred against those of the same school alone; backup, check and restore.
bench_district() {
  local began
  take_lock district
  need_tools
  need_packages postgresql chromium chromium-driver
  build_site
  compile tests/Umbick.Web.Tests
  [ -s "$state/district.secrets" ] || fail 'there is no district yet. ./umbick simulate --district makes it.'
  stop_all_at_end
  start_cluster district
  # What pages ask most often is counted, beside the district's own database.
  as_super -c "alter system set shared_preload_libraries = 'pg_stat_statements'"
  as_postgres "$(postgres_bin)/pg_ctl" restart -w -s -D "$cluster" -l "$cluster/log"
  as_super -c 'create extension if not exists pg_stat_statements'
  export UMBICK_BACKUP="$super_connection" UMBICK_PG_BIN
  UMBICK_PG_BIN=$(postgres_bin)
  cli certificate "$state/keys.pfx"
  export UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root" UMBICK_ONE="${UMBICK_APP/Database=umbick;/Database=umbick_one;}"
  explicit_tests Web District '\| |FAIL|Assert' | sed 's/^.*\[OUTPUT\] //'
  for verb in backup check-backup 'restore --replace'; do
    began=$(date +%s)
    # shellcheck disable=SC2086 # A verb and its option.
    cli $verb "$state/district.backup"
    say "| $verb | $(($(date +%s) - began)) s |"
  done
  rm -f "$state/district.backup"
}

compile_cli() {
  if packaged; then return 0; fi
  say 'Building'
  compile src/Umbick.Cli
}

bench() {
  case "${1:-}" in
    web) bench_web; return ;;
    answers) bench_answers; return ;;
    frames) bench_frames; return ;;
    school) bench_school; return ;;
    restore) bench_restore; return ;;
    district) bench_district; return ;;
    faults) shift; exec node bench/faults/plant.mjs "$@" ;;
  esac
  command -v dotnet >/dev/null || fail 'the .NET 10 SDK is needed (dotnet on the PATH).'
  fetch_libraries
  say 'Building'
  compile bench/Umbick.Benchmarks
  exec dotnet "$root/artifacts/bin/Umbick.Benchmarks/release/Umbick.Benchmarks.dll" "$@"
}

# explicit_tests PROJECT KIND PATTERN: runs tests that are run only when asked for, and shows the lines with their figures.
explicit_tests() {
  dotnet "artifacts/bin/Umbick.$1.Tests/release/Umbick.$1.Tests.dll" -noColor -trait "Kind=$2" -explicit only -showLiveOutput | grep -E "$3"
}

# ./umbick bench web: thirty tablets at once on the demonstration data, two devices on one sitting, the memory held after every page; a full
# school: a hundred tablets with a year behind each child, six hundred without; thirty tablets through two sites against one.
bench_web() {
  need_packages haproxy
  prepare_demo_site bench
  explicit_tests Web Load 'tablets|answers|devices|network|memory|guesses|FAIL'
  explicit_tests Web FullSchool 'full school|FAIL'
}

# ./umbick cluster-trial: two sites behind a balancer on a database that moves, twenty children at their pace, and seven faults. All of it
# on loopback, ended and cleared away by itself. A quarter of an hour.
cluster_trial() {
  need_packages postgresql patroni etcd-server haproxy
  prepare_demo_site bench
  explicit_tests Web Cluster '\| |FAIL|Assert' | sed 's/^.*\[OUTPUT\] //'
}

# ./umbick bench frames: how smoothly the big clock is dragged, by the browser's own trace.
bench_frames() {
  prepare_demo_site bench
  explicit_tests Web Frames 'frames:|FAIL|Exception'
}

# ./umbick bench answers: ten clients run the shipped queue through a faulty network while the site is killed and the database started
# again; 500 answers, three seeds.
bench_answers() {
  prepare_demo_site bench
  export UMBICK_RESTART_DATABASE="$state/restart-database.sh"
  printf '#!/usr/bin/env bash\nexec %q restart %q %q %q\n' "$root/launcher/database" "$cluster" "$cluster_port" "$cluster_options" \
    >"$UMBICK_RESTART_DATABASE"
  explicit_tests Web Faults 'Seed|FAIL|Assert|Total'
}

# ./umbick bench restore: restores killed at ten moments, three times each.
bench_restore() {
  prepare_demo_site bench
  compile tests/Umbick.Cli.Tests
  export UMBICK_BACKUP="$super_connection"
  UMBICK_PG_BIN=$(postgres_bin)
  export UMBICK_PG_BIN
  explicit_tests Cli Kill 'killed:|FAIL|Assert'
}

# ./umbick bench school: a school's first day on a fresh clone of what is committed, by the page that tells how to run it.
bench_school() {
  need_tools
  build_assets
  node bench/school/first-day.mjs
}
