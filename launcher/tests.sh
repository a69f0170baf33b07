# ./umbick test

run_tests() {
  local passed=0 failed=0 project total bad log
  take_lock test
  need_tools
  need_packages postgresql chromium chromium-driver shellcheck
  build_assets
  fetch_libraries
  say 'Building, with warnings as errors'
  quietly build dotnet build --no-restore -c Release Umbick.slnx
  publish_site
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  start_cluster test fresh
  # On a busy machine a connection may take longer than a visitor would wait.
  export UMBICK_APP="$UMBICK_APP;Timeout=60"
  cli prepare --demo
  cli certificate "$state/keys.pfx"
  export UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root"
  export UMBICK_BACKUP="Host=127.0.0.1;Port=$cluster_port;Database=umbick;Username=postgres;Password=$super_password"
  UMBICK_PG_BIN=$(postgres_bin)
  export UMBICK_PG_BIN
  say 'Testing, and checking formatting, side by side'
  # The web's tests take longest and mostly wait for a browser: the others run in what they leave. The build has held the style.
  rm -f "$state/format.ok" "$state/lint.ok"
  test_verbs &
  test_project Web -maxThreads "${UMBICK_BROWSERS:-3}" &
  { test_scripts; test_project Cli; test_project Casework; test_project Store; test_project Core; dotnet format whitespace --no-restore --verify-no-changes Umbick.slnx >"$state/format.log" 2>&1 9>&- && : >"$state/format.ok"; } &
  wait
  for project in Core Store Casework Cli Web; do
    log="$state/test-$project.log"
    total=$(summary Total "$log")
    bad=$(($(summary Failed "$log") + $(summary Errors "$log")))
    [ "$total" -gt 0 ] || bad=1
    [ "$bad" -eq 0 ] || cat "$log"
    passed=$((passed + total - bad))
    failed=$((failed + bad))
    say "  Umbick.$project: $total tests, $(grep -o 'Time: [0-9.]*s' "$log" | tail -n 1 || true)"
  done
  for project in scripts verbs; do
    log="$state/test-$project.log"
    total=$(tap_summary tests "$log") bad=$(tap_summary fail "$log")
    if [ "$total" -eq 0 ]; then total=1 bad=1; fi
    [ "$bad" -eq 0 ] || grep -A 30 '^ *not ok' "$log" | head -n 120
    passed=$((passed + total - bad))
    failed=$((failed + bad))
    say "  ${project^}: $total tests"
  done
  # Once more, last and short: whoever sees only the end of a long log sees what failed.
  for project in Core Store Casework Cli Web; do failures "$state/test-$project.log"; done
  if [ ! -e "$state/format.ok" ]; then
    tail -n 40 "$state/format.log"
    say '  The formatting is not clean: dotnet format mends it.'
    failed=$((failed + 1))
  fi
  if [ ! -e "$state/lint.ok" ]; then
    tail -n 40 "$state/lint.log"
    say '  The scripts have faults: eslint, prettier --check and shellcheck tell them.'
    failed=$((failed + 1))
  fi
  stop_all
  trap - EXIT
  say "$passed passed, $failed failed"
  [ "$failed" -eq 0 ]
}

# test_project NAME [OPTION…]: runs the tests of a project; what they say stands in its log.
test_project() {
  local name=$1
  shift
  dotnet "artifacts/bin/Umbick.$name.Tests/release/Umbick.$name.Tests.dll" -noColor "$@" >"$state/test-$name.log" 2>&1 9>&- || true
}

# test_scripts: the scripts of the pages, outside a browser, and what a linter says of them.
test_scripts() {
  node --test --test-reporter=tap tests/scripts/ >"$state/test-scripts.log" 2>&1 9>&- || true
  {
    node_modules/.bin/eslint --max-warnings 0 . && node_modules/.bin/prettier --check . && shellcheck -a umbick .ci/run
  } >"$state/lint.log" 2>&1 9>&- && : >"$state/lint.ok"
}

# test_verbs: each verb on a fresh clone of what lies here, in a folder with a space.
test_verbs() {
  node --test --test-reporter=tap tests/verbs/ >"$state/test-verbs.log" 2>&1 9>&- || true
}

# tap_summary WORD LOG: a number of a summary of Node's; of one that was cut short, none.
tap_summary() { local n; n=$(grep -o "^# $1 [0-9]*" "$2" | grep -o '[0-9]*$') || n=0; printf '%s' "${n:-0}"; }

# failures LOG: each failed test with the first lines of what it said.
failures() { grep -A 12 '\[FAIL\]' "$1" | cut -c 1-300 || true; }

# summary WORD LOG: a number of the last summary in a log; of one that was cut short, none.
summary() { local n; n=$(grep -o "$1: [0-9]*" "$2" | tail -n 1 | grep -o '[0-9]*$') || n=0; printf '%s' "${n:-0}"; }
