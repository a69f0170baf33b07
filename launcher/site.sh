# The site: one process on loopback, stopped by its id.

site_pid=''

stop_site() {
  [ -n "$site_pid" ] || return 0
  kill -TERM "$site_pid" 2>/dev/null || true
  wait "$site_pid" 2>/dev/null || true
  site_pid=''
}

# A site that a killed run left behind, told by its id and its name.
stop_stale_site() {
  local pid
  pid=$(cat "$state/$1.pid" 2>/dev/null) || return 0
  if tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -qF "$root/artifacts/publish/Umbick.Web/"; then kill -TERM "$pid" 2>/dev/null || true; fi
  rm -f "$state/$1.pid"
}

# start_site NAME PORT: starts the site and waits until it answers.
start_site() {
  local name=$1 port=$2
  cli certificate "$state/keys.pfx"
  UMBICK_KEYS="$state/keys.pfx" ASPNETCORE_ENVIRONMENT=Production \
    dotnet "$root/artifacts/publish/Umbick.Web/release/Umbick.Web.dll" \
    --contentRoot "$root/artifacts/publish/Umbick.Web/release" --urls "http://127.0.0.1:$port" >"$state/$name.site.log" 2>&1 9>&- &
  site_pid=$!
  printf '%s' "$site_pid" >"$state/$name.pid"
  until answers "$port"; do
    kill -0 "$site_pid" 2>/dev/null || { tail -n 20 "$state/$name.site.log" >&2; fail 'the site stopped while starting.'; }
    sleep 0.1
  done
}

# watch_site: goes on until the site ends. A database of ours that ends is started again; one that ends again and again takes the site
# with it.
watch_site() {
  local ends=0 since=$SECONDS
  while kill -0 "$site_pid" 2>/dev/null; do
    if [ -n "$cluster" ] && ! server_runs "$cluster"; then
      [ $((SECONDS - since)) -lt 600 ] || ends=0 since=$SECONDS
      ends=$((ends + 1))
      [ "$ends" -le 10 ] || fail "the database ends again and again; see $cluster/log"
      say 'The database ended. It is started again.' >&2
      run_cluster 2>/dev/null || say "It cannot be started yet; see $cluster/log" >&2
    fi
    # A signal ends the waiting, and not the sleep.
    sleep 2 9>&- &
    wait $!
  done
  wait "$site_pid"
}

# Whether the site on a port answers and reaches its database.
answers() {
  local line=''
  { exec 3<>"/dev/tcp/127.0.0.1/$1"; } 2>/dev/null || return 1
  printf 'GET /healthz HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&3
  read -r -t 5 line <&3 || true
  exec 3>&-
  [[ $line == *' 200 '* ]]
}

stop_all() {
  trap '' INT TERM HUP
  stop_site
  stop_cluster
}
