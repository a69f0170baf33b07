# ./umbick test

run_tests() {
  local passed=0 failed=0 project total bad log checking
  take_lock test
  need_tools
  need_packages postgresql chromium chromium-driver
  build_assets
  restored
  say 'Building, with warnings as errors'
  quietly build dotnet build --no-restore -c Release Umbick.slnx
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  start_cluster test fresh
  cli prepare --demo
  cli certificate "$state/keys.pfx"
  export UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root"
  say 'Testing, and checking formatting, side by side'
  # The web's tests take longest and mostly wait for a browser: the others run in what they leave. The build has held the style.
  rm -f "$state/format.ok"
  test_project Web -maxThreads "${UMBICK_BROWSERS:-3}" &
  { test_project Casework; test_project Core; dotnet format whitespace --no-restore --verify-no-changes Umbick.slnx >"$state/format.log" 2>&1 9>&- && : >"$state/format.ok"; } &
  wait
  for project in Core Casework Web; do
    log="$state/test-$project.log"
    total=$(summary Total "$log")
    bad=$(($(summary Failed "$log") + $(summary Errors "$log")))
    [ "$total" -gt 0 ] || bad=1
    [ "$bad" -eq 0 ] || cat "$log"
    passed=$((passed + total - bad))
    failed=$((failed + bad))
    say "  Umbick.$project: $total tests, $(grep -o 'Time: [0-9.]*s' "$log" | tail -n 1 || true)"
  done
  # Once more, last and short: whoever sees only the end of a long log sees what failed.
  for project in Core Casework Web; do failures "$state/test-$project.log"; done
  if [ ! -e "$state/format.ok" ]; then
    tail -n 40 "$state/format.log"
    say '  The formatting is not clean: dotnet format mends it.'
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

# failures LOG: each failed test with the first lines of what it said.
failures() { grep -A 12 '\[FAIL\]' "$1" | cut -c 1-300 || true; }

# summary WORD LOG: a number of the last summary in a log; of one that was cut short, none.
summary() { local n; n=$(grep -o "$1: [0-9]*" "$2" | tail -n 1 | grep -o '[0-9]*$') || n=0; printf '%s' "${n:-0}"; }
