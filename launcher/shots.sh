# ./umbick shots

take_shots() {
  take_lock shots
  need_tools
  need_packages postgresql chromium chromium-driver
  build_site
  quietly build dotnet build --no-restore -c Release tests/Umbick.Web.Tests
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  start_cluster shots fresh
  cli prepare --demo
  cli certificate "$state/keys.pfx"
  say 'Taking pictures'
  UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root" UMBICK_SHOTS="$root/docs/screenshots" \
    quietly shots dotnet artifacts/bin/Umbick.Web.Tests/release/Umbick.Web.Tests.dll -noColor -trait Kind=Shots -explicit only
  ls docs/screenshots
}
