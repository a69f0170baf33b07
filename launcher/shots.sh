# ./umbick shots

take_shots() {
  # The pictures are of a school's morning, whenever they are taken.
  export UMBICK_AHEAD=$(( ($(date -ud 'next thursday 09:50' +%s) - $(date +%s)) / 3600 ))
  prepare_demo_site shots
  say 'Taking pictures'
  UMBICK_SHOTS="$root/docs/screenshots" \
    quietly shots dotnet artifacts/bin/Umbick.Web.Tests/release/Umbick.Web.Tests.dll -noColor -trait Kind=Shots -explicit only
  ls docs/screenshots
}

# prepare_demo_site NAME: a fresh demonstration on a cluster of its own, for what the browser's tests can take from it.
prepare_demo_site() {
  take_lock "$1"
  need_tools
  need_packages postgresql chromium chromium-driver
  build_site
  compile tests/Umbick.Web.Tests
  stop_all_at_end
  start_cluster "$1" fresh
  cli prepare --demo
  cli certificate "$state/keys.pfx"
  export UMBICK_KEYS="$state/keys.pfx" UMBICK_ROOT="$root"
}
