# What this clone keeps between runs: a lock, stamps of what was built, secrets, logs. Nothing of it is committed.

state="$root/.umbick"
mkdir -p "$state" 2>/dev/null || fail "this folder, $root, cannot be written to by $(id -un)."
if [ ! -O "$state" ] || [ ! -w "$state" ]; then
  # Root may do what another user began; the other way round nothing could be kept.
  [ "$(id -u)" = 0 ] || fail "$state belongs to $(stat -c %U "$state"), not to $(id -un). As root: chown -R $(id -un) $state"
fi
chmod 700 "$state"

# One launcher a clone and purpose. The lock goes with this process: what it starts must not hold it.
take_lock() {
  exec 9>"$state/$1.lock"
  if [ "${2:-}" = wait ]; then flock 9; return 0; fi
  flock -n 9 || fail "another ./umbick $1 is running in this folder. Stop it first."
}

# unlocked COMMAND…: runs a command that does not hold this launcher's lock when it goes on longer.
unlocked() { "$@" 9>&-; }

secret() { head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n'; }

# Whether anything listens on a loopback port.
is_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port_from() {
  local port=$1
  while is_taken "$port"; do port=$((port + 1)); done
  printf '%s' "$port"
}

# A fingerprint of files, to build only what has changed.
fingerprint() {
  find "$@" -type f -not -path '*/wwwroot/built/*' -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-64
}

# stamped NAME FINGERPRINT COMMAND…: runs the command unless it last ran for the same fingerprint.
stamped() {
  local name=$1 print=$2
  shift 2
  [ "$(cat "$state/$name.stamp" 2>/dev/null)" = "$print" ] && return 0
  rm -f "$state/$name.stamp"
  "$@"
  note_stamp "$name" "$print"
}

note_stamp() { printf '%s' "$2" >"$state/$1.stamp"; }
