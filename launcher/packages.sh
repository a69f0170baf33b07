# What must be on the machine, from Debian's packages.

# The newest PostgreSQL on this machine; nothing where there is none.
postgres_bin() { find /usr/lib/postgresql -mindepth 2 -maxdepth 2 -name bin 2>/dev/null | sort -V | tail -n 1 || true; }

need_tools() {
  if packaged; then return 0; fi
  command -v dotnet >/dev/null || fail 'the .NET 10 SDK is needed (dotnet on the PATH).'
  command -v npm >/dev/null || fail 'Node.js with npm is needed.'
}

# need_packages NAME…: installs what is missing, as root or with sudo that asks nothing.
need_packages() {
  local missing=() package
  for package in "$@"; do
    case $package in
      postgresql) [ -x "$(postgres_bin)/postgres" ] || missing+=("$package") ;;
      chromium-driver) command -v chromedriver >/dev/null || missing+=("$package") ;;
      etcd-server) command -v etcd >/dev/null || missing+=("$package") ;;
      haproxy) [ -x /usr/sbin/haproxy ] || missing+=("$package") ;;
      *) command -v "$package" >/dev/null || missing+=("$package") ;;
    esac
  done
  [ ${#missing[@]} -eq 0 ] && return 0

  # Debian would start a cluster of its own for everybody, and services for the whole machine; ours are private.
  local conf=/etc/postgresql-common/createcluster.conf units=/etc/systemd/system masks='' script unit
  for unit in patroni etcd haproxy; do
    case " ${missing[*]} " in
      *" $unit "* | *" $unit-server "*) masks+="{ [ -e $units/$unit.service ] || ln -s /dev/null $units/$unit.service; } && " ;;
    esac
  done
  script="mkdir -p $(dirname "$conf") $units && { [ -e $conf ] || echo 'create_main_cluster = false' >$conf; } && ${masks}\
apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -qy --no-install-recommends ${missing[*]}"
  say "Installing from Debian's packages: ${missing[*]}"
  if [ "$(id -u)" = 0 ]; then
    sh -c "$script" >"$state/packages.log" 2>&1 || fail "that failed; see $state/packages.log"
  elif sudo -n true 2>/dev/null; then
    # shellcheck disable=SC2024 # The log is this user's own.
    sudo -n sh -c "$script" >"$state/packages.log" 2>&1 || fail "that failed; see $state/packages.log"
  else
    say 'This needs root once. Run this line, then start again:'
    say "  sudo sh -c \"$script\""
    exit 2
  fi
}
