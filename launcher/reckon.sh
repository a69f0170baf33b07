# ./umbick diagnose, sitting, simulate: the core at work, without a database. Standard output is theirs alone.

reckon() {
  command -v dotnet >/dev/null || fail 'the .NET 10 SDK is needed (dotnet on the PATH).'
  {
    command -v npm >/dev/null || fail 'Node.js with npm is needed.'
    take_lock build wait
    build_assets
    fetch_libraries
    stamped cli "$(fingerprint src/Umbick.Core src/Umbick.Rows src/Umbick.Simulation src/Umbick.Store src/Umbick.Casework src/Umbick.Demo src/Umbick.Cli Directory.Build.props Directory.Packages.props .editorconfig package-lock.json)" compile_cli
    exec 9>&-
  } >&2
  cd "$caller"
  exec dotnet "$root/artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll" "$@"
}

compile_cli() {
  say 'Building'
  quietly build dotnet build --no-restore -c Release src/Umbick.Cli
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
  quietly build dotnet build --no-restore -c Release bench/Umbick.Benchmarks
  exec dotnet "$root/artifacts/bin/Umbick.Benchmarks/release/Umbick.Benchmarks.dll" "$@"
}

# ./umbick bench web: thirty tablets at once on the demonstration data, two devices on one sitting, and the memory held after every page.
bench_web() {
  prepare_demo_site bench
  dotnet artifacts/bin/Umbick.Web.Tests/release/Umbick.Web.Tests.dll -noColor -trait Kind=Load -explicit only -showLiveOutput | grep -E 'tablets|answers|devices|network|memory|guesses|FAIL'
}

# ./umbick bench frames: how smoothly the big clock is dragged, by the browser's own trace.
bench_frames() {
  prepare_demo_site bench
  dotnet artifacts/bin/Umbick.Web.Tests/release/Umbick.Web.Tests.dll -noColor -trait Kind=Frames -explicit only -showLiveOutput | grep -E 'frames:|FAIL|Exception'
}

# ./umbick bench answers: ten clients run the shipped queue through a faulty network while the site is killed and the database started
# again; 500 answers, three seeds.
bench_answers() {
  prepare_demo_site bench
  export UMBICK_RESTART_DATABASE="$state/restart-database.sh"
  printf '#!/usr/bin/env bash\ncd %q && source launcher/say.sh && source launcher/state.sh && source launcher/packages.sh && source launcher/cluster.sh\nrestart_cluster %q %q\n' "$root" "$cluster" "$cluster_port" >"$UMBICK_RESTART_DATABASE"
  dotnet artifacts/bin/Umbick.Web.Tests/release/Umbick.Web.Tests.dll -noColor -trait Kind=Faults -explicit only -showLiveOutput | grep -E 'Seed|FAIL|Assert|Total'
}

# ./umbick bench restore: restores killed at ten moments, three times each.
bench_restore() {
  prepare_demo_site bench
  quietly build dotnet build --no-restore -c Release tests/Umbick.Cli.Tests
  export UMBICK_BACKUP="Host=127.0.0.1;Port=$cluster_port;Database=umbick;Username=postgres;Password=$super_password"
  UMBICK_PG_BIN=$(postgres_bin)
  export UMBICK_PG_BIN
  dotnet artifacts/bin/Umbick.Cli.Tests/release/Umbick.Cli.Tests.dll -noColor -trait Kind=Kill -explicit only -showLiveOutput | grep -E 'killed:|FAIL|Assert'
}

# ./umbick bench school: a school's first day on a fresh clone of what is committed, by the page that tells how to run it.
bench_school() {
  need_tools
  build_assets
  node bench/school/first-day.mjs
}
