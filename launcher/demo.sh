# ./umbick demo

demo() {
  local port wanted=${UMBICK_PORT:-5180}
  take_lock demo
  need_tools
  say 'Umbick: demonstration. First time: fetches and builds for some minutes. After that it starts in seconds and needs no network.'
  need_packages postgresql
  build_site
  stop_stale_site demo
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  start_cluster demo
  cli prepare --demo
  port=$(free_port_from "$wanted")
  [ "$port" = "$wanted" ] || say "Port $wanted is taken; using $port."
  start_site demo "$port"
  say ''
  say "  Umbick is at http://127.0.0.1:$port"
  say "  Press “Look round” there, or sign in as $(cli demo-sign-in)"
  say ''
  say 'Ctrl-C stops it.'
  watch_site
}
