#!/usr/bin/env bash
# More machines, shown: two web nodes and three databases with Galera (Debian's packages) on loopback. While people mark, one of each is
# killed hard and comes back. Then nothing that was accepted may be missing or double, every record must be whole, and the three databases
# must hold the same.   bench/cluster.sh [seconds]
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/common.sh"
cd "$root"
need_runtime # as root, where something is missing
need /usr/lib/galera/libgalera_smm.so=galera-4 rsync=rsync lsof=lsof # rsync: only were a node to need everything
seconds=${1:-60}
work=${CLUSTER_WORK:-$(mktemp -d)}
if [ "$(id -u)" = 0 ]; then # databases that give each other what they miss do not do it as root
    chown www-data:www-data "$work"
    exec setpriv --reuid=www-data --regid=www-data --clear-groups -- env HOME="$work" CLUSTER_WORK="$work" "$0" "$@"
fi
me=$(id -un)
port=3390
hosts=127.0.0.11,127.0.0.12,127.0.0.13
export CLUSTER_WORK="$work" DB_HOST=$hosts DB_PORT=$port DB_DATABASE=escapement DB_USERNAME=escapement DB_PASSWORD=escapement \
    APP_ENV=production \
    APP_DEBUG=false APP_KEY=base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY= APP_CONFIG_CACHE="$work/no-config.php" \
    APP_ROUTES_CACHE="$work/no-routes.php" APP_EVENTS_CACHE="$work/no-events.php" LOG_CHANNEL=stderr SESSION_DRIVER=database \
    CACHE_STORE=database QUEUE_CONNECTION=database BCRYPT_ROUNDS=4 ESCAPEMENT_DEMO=true ESCAPEMENT_KEYS="$work/keys" \
    VIEW_COMPILED_PATH="$work/views" PHP_CLI_SERVER_WORKERS=4 APP_URL=http://127.0.0.1:8391

start_db() { # N [options]: a node; without a cluster to join it begins one
    local n=$1 address=127.0.0.1$1
    shift
    # After a hard kill a node looks up how far it was; the others give it what it missed.
    local begin=''
    if [ -e "$work/db$n.pid" ]; then
        rm -f "$work/db$n.pid"
        mariadbd --no-defaults --user="$me" --datadir="$work/db$n" --socket="$work/recover$n.sock" --wsrep-recover --skip-networking \
            --wsrep-on=ON --wsrep-provider=/usr/lib/galera/libgalera_smm.so --wsrep-cluster-address="gcomm://$hosts" \
            --binlog-format=ROW >"$work/recover$n.log" 2>&1 || true
        begin=$(sed -n 's/.*Recovered position: *//p' "$work/recover$n.log" | tail -1)
        [ -n "$begin" ] || { tail -60 "$work/recover$n.log" >&2; die "database $n does not know how far it was"; }
    fi
    setsid mariadbd --no-defaults --user="$me" --datadir="$work/db$n" --socket="$work/db$n.sock" --pid-file="$work/db$n.pid" \
        --bind-address="$address" --port=$port --skip-name-resolve --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci \
        --default-time-zone=+00:00 --binlog-format=ROW --innodb-autoinc-lock-mode=2 --innodb-flush-log-at-trx-commit=1 \
        --innodb-buffer-pool-size=128M --wsrep-on=ON --wsrep-provider=/usr/lib/galera/libgalera_smm.so --wsrep-cluster-name=escapement \
        --wsrep-cluster-address="gcomm://$hosts" --wsrep-node-address="$address" --wsrep-node-name="node$n" --wsrep-sst-method=rsync \
        --wsrep-slave-threads=2 \
        --wsrep-provider-options="gmcast.listen_addr=tcp://$address:4567;ist.recv_addr=$address:4568;gcache.size=64M" \
        ${begin:+--wsrep-start-position="$begin"} "$@" \
        >"$work/db$n.log" 2>&1 </dev/null &
}
wait_db() { # N: until it is in step with the others
    local i
    for i in $(seq 1 300); do
        state=$(mariadb --no-defaults -u root -S "$work/db$1.sock" -N -e "SHOW STATUS LIKE 'wsrep_local_state_comment'" 2>/dev/null || true)
        [ "$(cut -f2 <<<"$state")" = Synced ] \
            && return 0
        sleep 0.2
    done
    tail -20 "$work/db$1.log" >&2
    die "database $1 did not join"
}
start_web() {
    setsid php -S "127.0.0.1:839$1" -t public bin/lib/router.php >"$work/web$1.log" 2>&1 </dev/null &
    echo $! >"$work/web$1.pid"
}
if [ "${2:-}" != '' ]; then # called by the load: bench/cluster.sh WHAT N
    case "$1" in
        kill-db) kill -KILL "$(cat "$work/db$2.pid")" ;;
        start-db) start_db "$2" ;;
        kill-web) kill -KILL -- "-$(cat "$work/web$2.pid")" ;;
        start-web) start_web "$2" ;;
    esac
    echo "$1 $2"
    exit 0
fi
finish() {
    local file
    for file in "$work"/web*.pid; do [ ! -e "$file" ] || kill -TERM -- "-$(cat "$file")" 2>/dev/null || true; done
    for file in "$work"/db?.pid; do [ ! -e "$file" ] || kill -TERM "$(cat "$file")" 2>/dev/null || true; done
    sleep 3
    [ -n "${KEEP:-}" ] || rm -rf "$work"
}
trap finish EXIT
mkdir -p "$work/views"
mariadb-install-db --no-defaults --user="$me" --datadir="$work/db1" --auth-root-authentication-method=normal --skip-test-db \
    >"$work/install.log" 2>&1
start_db 1 --wsrep-new-cluster
wait_db 1
mariadb --no-defaults -u root -S "$work/db1.sock" -e "CREATE DATABASE escapement;
    CREATE USER 'escapement'@'%' IDENTIFIED BY 'escapement'; GRANT ALL ON escapement.* TO 'escapement'@'%'"
DB_HOST=127.0.0.11 php artisan migrate:fresh --seed --force --quiet
mariadb-admin --no-defaults -u root -S "$work/db1.sock" shutdown
for i in $(seq 1 100); do [ -S "$work/db1.sock" ] || break; sleep 0.1; done
rm -f "$work/db1.pid"
cp -a "$work/db1" "$work/db2"
cp -a "$work/db1" "$work/db3"
start_db 1 --wsrep-new-cluster
wait_db 1
start_db 2
wait_db 2
start_db 3
wait_db 3
say "Three databases are in step."
start_web 1
start_web 2
wait_for http://127.0.0.1:8391/up && wait_for http://127.0.0.1:8392/up || die 'a web node did not come up'
export PLAN='[[0.15,"kill-db 1"],[0.35,"start-db 1"],[0.5,"kill-web 1"],[0.6,"start-web 1"],[0.7,"kill-db 2"],[0.85,"start-db 2"]]'
NODES=http://127.0.0.1:8391,http://127.0.0.1:8392 KILL="$root/bench/cluster.sh" ACCEPTED="$work/accepted.json" \
    node bench/cluster.mjs "$seconds"
for n in 1 2 3; do wait_db $n; done
php artisan records:heads >"$work/heads" || die "a record is not whole: $(grep FAULT "$work/heads")"
php bench/lib/accepted.php "mysql:host=127.0.0.11;port=$port;dbname=escapement" escapement escapement "$work/accepted.json"
tables='marks runs record_entries users sites switches'
for n in 1 2 3; do
    for table in $tables; do
        mariadb --no-defaults -u root -S "$work/db$n.sock" -N -e "CHECKSUM TABLE escapement.$table"
    done >"$work/sums$n"
done
cmp "$work/sums1" "$work/sums2" && cmp "$work/sums1" "$work/sums3" || die 'the databases differ'
say "$(wc -l <"$work/heads") records whole; the three databases hold the same."
