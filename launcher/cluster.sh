# A private PostgreSQL cluster: on loopback, with passwords, for this clone and one purpose.

# As root the server must run as postgres, and its folder must be where postgres can reach it.
if [ "$(id -u)" = 0 ]; then
  clusters="/var/lib/umbick/$(printf '%s' "${root#/}" | tr -c 'A-Za-z0-9\n' '-')"
  as_postgres() { (cd / && unlocked runuser -u postgres -- "$@"); }
else
  clusters="$state/clusters"
  as_postgres() { unlocked "$@"; }
fi

cluster='' # the folder of the running cluster
cluster_port=''
cluster_options=''
# What the secrets of a cluster set.
super_password='' owner_password='' app_password='' super_connection=''

# Starts the server on the cluster: on loopback alone, without a socket, whose path could be too long or hold a space.
run_cluster() {
  as_postgres "$(postgres_bin)/pg_ctl" start -w -s -D "$cluster" -l "$cluster/log" \
    -o "-p $cluster_port $cluster_options -c listen_addresses=127.0.0.1 -c unix_socket_directories="
}

# server_runs FOLDER: whether the server on a cluster is there and listens. One that was killed can stand in the list of processes for a
# while.
server_runs() {
  local pid='' port=''
  { read -r pid && read -r _ && read -r _ && read -r port; } 2>/dev/null <"$1/postmaster.pid" || return 1
  grep -q '^State:[[:space:]]*[^ZX]' "/proc/$pid/status" 2>/dev/null && is_taken "$port"
}

# server_answers FOLDER: whether it lets anybody in. One that was killed listens again well before that, while it recovers.
server_answers() {
  server_runs "$1" && "$(postgres_bin)/pg_isready" -q -h 127.0.0.1 -p "$(as_postgres sed -n 4p "$1/postmaster.pid" 2>/dev/null)"
}

make_cluster_folder() {
  if [ "$(id -u)" = 0 ]; then
    install -d -m 755 /var/lib/umbick
    install -d -m 700 -o postgres -g postgres "$clusters"
  else
    install -d -m 700 "$clusters"
  fi
}

# start_cluster NAME [fresh]: starts the cluster, making it if it is not there, and sets the connections to it.
start_cluster() {
  local name=$1 bin secrets="$state/$1.secrets" own='-c max_connections=120'
  bin=$(postgres_bin)
  make_cluster_folder
  cluster="$clusters/$name"
  stop_cluster
  # What the tests write is thrown away: it need not outlive a crash, nor wait for the disk. Benchmarks do wait for it. Test projects run
  # side by side, each with its schools' connections.
  if [ "$name" = test ]; then own='-c max_connections=300 -c fsync=off -c full_page_writes=off'; fi
  if [ "${2:-}" = fresh ] || [ ! -s "$secrets" ]; then as_postgres rm -rf "$cluster"; fi
  if ! as_postgres test -d "$cluster" || [ ! -s "$secrets" ]; then init_cluster "$bin" "$secrets"; fi
  source "$secrets"

  cluster_port=$(free_port_from 54180)
  cluster_options=$own
  run_cluster || fail "the database did not start; see $cluster/log"
  [ -e "$state/$name.roles" ] || make_roles "$name"
  # A cluster of an earlier version left them open.
  as_super -c 'revoke connect on database postgres, template1 from public'
  connect_to_cluster
}

# as_super [OPTION…]: psql on the cluster, as its superuser.
as_super() { PGPASSWORD=$super_password unlocked "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$cluster_port" -U postgres -d postgres "$@"; }

# Sets the connections to the cluster on cluster_port, whose passwords have been read.
connect_to_cluster() {
  local there="Host=127.0.0.1;Port=$cluster_port;Database=umbick"
  # A verb has patience where the machine is busy; a site tells its visitors sooner.
  export UMBICK_OWNER="$there;Username=umbick_owner;Password=$owner_password;Timeout=60;Command Timeout=120"
  export UMBICK_APP="$there;Username=umbick_app;Password=$app_password"
  super_connection="$there;Username=postgres;Password=$super_password"
}

init_cluster() {
  local bin=$1 secrets=$2 passwords
  say 'Making a private database'
  (umask 077; printf 'super_password=%s\nowner_password=%s\napp_password=%s\n' "$(secret)" "$(secret)" "$(secret)" >"$secrets")
  source "$secrets"
  rm -f "$state/$(basename "$cluster").roles"
  passwords="$clusters/.password"
  (umask 077; printf '%s' "$super_password" >"$passwords")
  [ "$(id -u)" != 0 ] || chown postgres "$passwords"
  as_postgres "$bin/initdb" --no-sync --data-checksums -D "$cluster" -U postgres --auth=scram-sha-256 --pwfile="$passwords" -E UTF8 \
    --locale=C >"$state/initdb.log" 2>&1 || fail "the database could not be made; see $state/initdb.log"
  rm -f "$passwords"
}

make_roles() {
  as_super -v ON_ERROR_STOP=1 >/dev/null 2>"$state/roles.log" <<SQL
drop database if exists umbick;
drop role if exists umbick_owner;
drop role if exists umbick_app;
create role umbick_owner login createdb password '$owner_password';
create role umbick_app login password '$app_password';
create database umbick owner umbick_owner;
revoke all on database umbick from public;
grant connect on database umbick to umbick_app;
revoke connect on database postgres, template1 from public;
\c umbick
alter schema public owner to umbick_owner;
revoke all on schema public from public;
SQL
  : >"$state/$1.roles"
}

# Stops the cluster if it runs, also one that a killed run left behind.
stop_cluster() {
  local bin
  if [ -z "$cluster" ] || ! as_postgres test -f "$cluster/postmaster.pid"; then return 0; fi
  bin=$(postgres_bin)
  if as_postgres "$bin/pg_ctl" status -D "$cluster" >/dev/null 2>&1; then
    as_postgres "$bin/pg_ctl" stop -w -s -m fast -D "$cluster"
  else
    as_postgres rm -f "$cluster/postmaster.pid"
  fi
}
