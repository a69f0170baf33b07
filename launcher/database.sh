#!/usr/bin/env bash
# database.sh start|restart FOLDER PORT OPTIONS: starts the server on a cluster of this clone; restart takes it away from its users first.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd -P)
cd "$root"
source launcher/say.sh
source launcher/state.sh
source launcher/packages.sh
source launcher/cluster.sh
# shellcheck disable=SC2034 # run_cluster reads them; it connects to nothing.
cluster=$2 cluster_port=$3 cluster_options=$4
if [ "$1" = restart ]; then as_postgres "$(postgres_bin)/pg_ctl" stop -w -s -m immediate -D "$cluster"; fi
run_cluster
