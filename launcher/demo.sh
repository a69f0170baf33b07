# ./umbick demo

demo() {
  local port wanted=${UMBICK_PORT:-5180}
  take_lock demo
  need_tools
  say 'Umbick: demonstration. First time: fetches and builds for some minutes. After that it starts in seconds and needs no network.'
  need_packages postgresql
  build_site
  stop_stale_site demo
  stop_all_at_end
  start_cluster demo
  cli prepare --demo
  port=$(free_port_from "$wanted")
  [ "$port" = "$wanted" ] || say "Port $wanted is taken; using $port."
  cli certificate "$state/keys.pfx"
  export UMBICK_KEYS="$state/keys.pfx"
  serve demo "http://127.0.0.1:$port" "http://127.0.0.1:$port" "
  Umbick is at http://127.0.0.1:$port
  Press “Look round” there, or sign in as $(cli demo-sign-in)

Ctrl-C stops it."
}
