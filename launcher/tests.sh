# ./umbick test

run_tests() {
  take_lock test
  need_tools
  need_packages postgresql chromium chromium-driver shellcheck patroni etcd-server haproxy age
  build_assets &
  fetch_libraries
  wait $!
  say 'Building, with warnings as errors'
  compile Umbick.slnx
  publish_site
  note_stamp site "$(site_print)"
  stop_all_at_end
  start_cluster test fresh
  # On a busy machine a connection may take longer than a visitor would wait.
  export UMBICK_APP="$UMBICK_APP;Timeout=60"
  cli certificate "$state/keys.pfx"
  UMBICK_PG_BIN=$(postgres_bin)
  export UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root" UMBICK_BACKUP="$super_connection" UMBICK_PG_BIN
  say 'Testing, and checking formatting, side by side'
  dotnet "$cli_assembly" test --root "$root" --browsers "${UMBICK_BROWSERS:-3}" 9>&- &
  site_pid=$!
  wait "$site_pid"
}
