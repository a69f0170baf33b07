# ./umbick test

run_tests() {
  local passed=0 failed=0 project total bad log
  take_lock test
  need_tools
  need_packages postgresql chromium chromium-driver
  build_assets
  restored
  say 'Checking formatting'
  quietly format dotnet format --no-restore --verify-no-changes Umbick.slnx
  say 'Building, with warnings as errors'
  quietly build dotnet build --no-restore -c Release Umbick.slnx
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  start_cluster test fresh
  cli prepare --demo
  cli certificate "$state/keys.pfx"
  export UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root"
  for project in Core Store Web; do
    log="$state/test-$project.log"
    say "Testing: Umbick.$project"
    dotnet "artifacts/bin/Umbick.$project.Tests/release/Umbick.$project.Tests.dll" -noColor >"$log" 2>&1 9>&- || true
    total=$(summary Total "$log")
    bad=$(($(summary Failed "$log") + $(summary Errors "$log")))
    [ "$total" -gt 0 ] || bad=1
    [ "$bad" -eq 0 ] || cat "$log"
    passed=$((passed + total - bad))
    failed=$((failed + bad))
    say "  $total tests, $(grep -o 'Time: [0-9.]*s' "$log" | tail -n 1 || true)"
  done
  stop_all
  trap - EXIT
  say "$passed passed, $failed failed"
  [ "$failed" -eq 0 ]
}

summary() { local n; n=$(grep -o "$1: [0-9]*" "$2" | tail -n 1 | grep -o '[0-9]*$') || n=0; printf '%s' "${n:-0}"; }
