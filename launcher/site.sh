# The site: one process on loopback and beyond, run and watched by the command line's `serve`.

site_pid=''

# serve NAME URLS ADDRESS SAYS [OPTION…]: runs the site until it ends; the database, where it is ours, is started again when it ends.
serve() {
  local name=$1 urls=$2 asked=$3 says=$4 database=()
  shift 4
  if [ -n "$cluster" ]; then
    database=(--cluster "$cluster")
    for word in "$root/launcher/database" start "$cluster" "$cluster_port" "$cluster_options"; do
      database+=("--start-database=$word")
    done
  fi
  # Not by a function: the id of what runs behind is that of the program itself, which is told to end by it.
  dotnet "$cli_assembly" serve "$name" --root "$root" --urls "$urls" --ask "$asked" --say "$says" "${database[@]}" "$@" 9>&- &
  site_pid=$!
  # A signal ends the waiting; what was told to end is waited for on the way out.
  wait "$site_pid"
}

stop_site() {
  [ -n "$site_pid" ] || return 0
  kill -TERM "$site_pid" 2>/dev/null || true
  wait "$site_pid" 2>/dev/null || true
  site_pid=''
}

# site_runs NAME: whether the site that the file with its id names is there.
site_runs() {
  local pid
  pid=$(cat "$state/$1.pid" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -qF "$root/artifacts/publish/Umbick.Web/"
}

# A site that a killed run left behind.
stop_stale_site() {
  if site_runs "$1"; then kill -TERM "$(cat "$state/$1.pid")" 2>/dev/null || true; fi
  rm -f "$state/$1.pid"
}

# stop_all_at_end: whatever ends this launcher ends the site and the database with it.
stop_all_at_end() {
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
}

stop_all() {
  trap '' INT TERM HUP
  stop_site
  stop_cluster
}
