#!/usr/bin/env bash
# The disk of the database fills up while people mark, and is freed again. What is refused stays on the phone and comes again; then nothing
# that was accepted may be missing or double, and every record must be whole. Needs root: a small file is mounted as a disk.
#   bench/disk-full.sh [seconds]
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/common.sh"
cd "$root"
[ "$(id -u)" = 0 ] || die 'root mounts the small disk'
if [ "${2:-}" != '' ]; then # called by the load
    case "$1" in
        fill) dd if=/dev/zero of="$2/ballast" bs=64K >/dev/null 2>&1 || true ;; # until nothing more goes on it
        free) rm -f "$2/ballast" ;;
    esac
    df -h "$2" | tail -1 | awk -v what="$1" '{print what ": " $4 " free"}'
    exit 0
fi
seconds=${1:-40}
work=$(mktemp -d)
disk="$work/disk"
port=3391
server=''
finish() {
    [ -z "$server" ] || kill -TERM -- "-$server" 2>/dev/null || true
    db_stop $port
    sleep 1
    umount "$disk" 2>/dev/null || true
    rm -rf "$work"
}
trap finish EXIT
mkdir -p "$disk" "$work/views"
fallocate -l 300M "$work/image"
mkfs.ext4 -q -m 0 "$work/image"
mount -o loop "$work/image" "$disk"
db_start $port "$disk/db" normal --innodb-flush-log-at-trx-commit=1 --innodb-doublewrite=1 --innodb-log-file-size=16M
mariadb --no-defaults -u root -h 127.0.0.1 -P $port -e 'CREATE DATABASE escapement'
export DB_PORT=$port DB_DATABASE=escapement DB_USERNAME=root DB_PASSWORD='' APP_ENV=production APP_DEBUG=false \
    APP_KEY=base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY= APP_CONFIG_CACHE="$work/no-config.php" \
    APP_ROUTES_CACHE="$work/no-routes.php" \
    APP_EVENTS_CACHE="$work/no-events.php" LOG_CHANNEL=stderr SESSION_DRIVER=database CACHE_STORE=database \
    QUEUE_CONNECTION=sync BCRYPT_ROUNDS=4 \
    ESCAPEMENT_DEMO=true ESCAPEMENT_KEYS="$work/keys" VIEW_COMPILED_PATH="$work/views" \
    PHP_CLI_SERVER_WORKERS=4 APP_URL=http://127.0.0.1:8393
php artisan migrate:fresh --seed --force --quiet
setsid php -S 127.0.0.1:8393 -t public bin/lib/router.php >"$work/web.log" 2>&1 </dev/null &
server=$!
wait_for http://127.0.0.1:8393/up || die 'the server did not come up'
printf '#!/usr/bin/env bash\nexec %q "$@"\n' "$root/bench/disk-full.sh" >"$work/do" && chmod +x "$work/do"
PLAN="[[0.25,\"fill $disk\"],[0.6,\"free $disk\"]]" NODES=http://127.0.0.1:8393 KILL="$work/do" ACCEPTED="$work/accepted.json" \
    node bench/cluster.mjs "$seconds"
php artisan records:heads >"$work/heads" || die "a record is not whole: $(grep FAULT "$work/heads")"
php bench/lib/accepted.php "mysql:host=127.0.0.1;port=$port;dbname=escapement" root '' "$work/accepted.json"
say "$(wc -l <"$work/heads") records whole."
