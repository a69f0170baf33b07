# ./umbick diagnose, sitting, simulate: the core at work, without a database. Standard output is theirs alone.

run_model() {
  need_tools
  {
    take_lock build wait
    build_assets
    fetch_libraries
    stamped cli "$(fingerprint src/Umbick.{Core,Rows,Simulation,Store,Casework,Demo,Cli} Directory.{Build,Packages}.props .editorconfig \
      package-lock.json)" compile_cli
    exec 9>&-
  } >&2
  cd "$caller"
  exec dotnet "$cli_assembly" "$@"
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
# school: a hundred tablets with a year behind each child, six hundred without. A quarter of an hour.
bench_web() {
  prepare_demo_site bench
  explicit_tests Web Load 'tablets|answers|devices|network|memory|guesses|FAIL'
  explicit_tests Web FullSchool 'full school|FAIL'
}

# ./umbick cluster-trial: two sites behind a balancer on a database that moves, twenty children at their pace, and seven faults. All of it on
# loopback, ended and cleared away by itself. A quarter of an hour.
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
