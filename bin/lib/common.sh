# Shared by bin/start, bin/stop and bin/test: what must be installed, and the private MariaDB servers.
# shellcheck shell=bash

root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
var="$root/var"
mkdir -p "$var"
[ ! -e "$var/run-dir" ] || export TMPDIR="$(cat "$var/run-dir")" # where bin/install put the sockets

say() { printf '%s\n' "$*"; }
die() { printf 'bin: %s\n' "$*" >&2; exit 1; }
as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo "$@"; fi; }

# Installs what is missing and nothing else. Arguments: command-or-file=package ...
need() {
    local missing=() pair modules
    modules=$(php -m 2>/dev/null || true) # read whole: a pipe that grep leaves early would fail by chance
    for pair in "$@"; do
        local what=${pair%%=*} package=${pair#*=}
        case "$what" in
            /*) [ -e "$what" ] || missing+=("$package") ;;
            php:*) grep -qix "${what#php:}" <<<"$modules" || missing+=("$package") ;;
            *) command -v "$what" >/dev/null 2>&1 || missing+=("$package") ;;
        esac
    done
    [ ${#missing[@]} = 0 ] && return 0
    say "Installing ${missing[*]} …"
    as_root apt-get update -qq >"$var/apt.log" 2>&1 || die "apt-get update did not work, see var/apt.log"
    as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >>"$var/apt.log" 2>&1 \
        || die "these packages could not be installed: ${missing[*]}, see var/apt.log"
}

need_runtime() {
    need php=php8.2-cli /usr/sbin/php-fpm8.2=php8.2-fpm php:pdo_mysql=php8.2-mysql php:mbstring=php8.2-mbstring php:dom=php8.2-xml \
        php:intl=php8.2-intl php:bcmath=php8.2-bcmath php:curl=php8.2-curl php:gd=php8.2-gd php:zip=php8.2-zip \
        composer=composer unzip=unzip qrencode=qrencode /usr/sbin/mariadbd=mariadb-server mariadb=mariadb-client \
        /usr/sbin/nginx=nginx-light /usr/share/nginx/modules-available/mod-http-brotli-filter.conf=libnginx-mod-http-brotli-filter \
        /usr/share/nginx/modules-available/mod-http-brotli-static.conf=libnginx-mod-http-brotli-static
    need node=nodejs npm=npm
}

# Libraries, only when their list has changed since the last time.
need_libraries() {
    local php_list js_list
    php_list=$(sha256sum <"$root/composer.json"); js_list=$(sha256sum <"$root/package-lock.json") # by content: a checkout changes the times
    if [ ! -e "$root/vendor/autoload.php" ] || [ "$php_list" != "$(cat "$var/composer.stamp" 2>/dev/null)" ]; then
        say "Fetching the PHP libraries …"
        (cd "$root" && COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress) >"$var/composer.log" 2>&1 \
            || die "composer did not finish, see var/composer.log"
        chmod -R a+rX "$root/vendor"
        printf '%s\n' "$php_list" >"$var/composer.stamp"
    fi
    if [ ! -d "$root/node_modules" ] || [ "$js_list" != "$(cat "$var/npm.stamp" 2>/dev/null)" ]; then
        say "Fetching the browser libraries …"
        (cd "$root" && npm ci --no-audit --no-fund) >"$var/npm.log" 2>&1 || die "npm did not finish, see var/npm.log"
        printf '%s\n' "$js_list" >"$var/npm.stamp"
    fi
}

need_assets() {
    local built="$root/public/build/manifest.json"
    if [ ! -e "$built" ] \
        || [ -n "$(find "$root/resources/css" "$root/resources/js" "$root/vite.config.js" -newer "$built" -print -quit)" ]; then
        say "Building styles and scripts …"
        (cd "$root" && npm run build) >"$var/vite.log" 2>&1 || die "the build did not finish, see var/vite.log"
    fi
}

# A socket path must be short, so it is not kept in the project.
db_run() { printf '%s/escapement-%s-%s' "${TMPDIR:-/tmp}" "$(id -u)" "$1"; }
db_admin() { mariadb-admin --no-defaults -u "$(id -un)" -S "$(db_run "$1")/db.sock" "${@:2}"; }
db_sql() { mariadb --no-defaults -u "$(id -un)" -S "$(db_run "$1")/db.sock" "${@:2}"; }

# db_files PORT DATADIR AUTH: what a server of our own needs before it starts.
db_files() {
    local data=$2 run me
    run=$(db_run "$1"); me=$(id -un)
    mkdir -p "$run" && chmod 700 "$run"
    if [ ! -d "$data/mysql" ]; then
        mkdir -p "$data"
        mariadb-install-db --no-defaults --user="$me" --datadir="$data" --auth-root-authentication-method="$3" \
            --auth-root-socket-user="$me" --skip-test-db >"$run/install.log" 2>&1 || die "no database could be made, see $run/install.log"
    fi
}
# db_options PORT DATADIR: how every server of ours runs, a line each.
db_options() {
    local run
    run=$(db_run "$1")
    printf '%s\n' --no-defaults --user="$(id -un)" --datadir="$2" --socket="$run/db.sock" --pid-file="$run/db.pid" \
        --bind-address=127.0.0.1 --port="$1" --skip-name-resolve --skip-log-bin --character-set-server=utf8mb4 \
        --collation-server=utf8mb4_unicode_ci --default-time-zone=+00:00 \
        --sql-mode=STRICT_TRANS_TABLES,ONLY_FULL_GROUP_BY,ERROR_FOR_DIVISION_BY_ZERO,NO_ZERO_DATE,NO_ZERO_IN_DATE,NO_ENGINE_SUBSTITUTION \
        --innodb-buffer-pool-size=256M --innodb-log-file-size=64M --performance-schema=0 --max-connections=100
}
# db_exec PORT DATADIR AUTH [server options]: in the place of this process, for a service.
db_exec() {
    local options
    db_files "$1" "$2" "$3"
    mapfile -t options < <(db_options "$1" "$2")
    exec mariadbd "${options[@]}" "${@:4}"
}

# db_start PORT DATADIR AUTH [server options]: a server of our own on loopback. It is asked by ping whether it runs:
# the process of a killed server can still be there for a moment.
db_start() {
    local port=$1 data=$2 auth=$3 run options
    shift 3
    run=$(db_run "$port")
    mkdir -p "$run" && chmod 700 "$run"
    db_admin "$port" ping >/dev/null 2>&1 && return 0
    db_files "$port" "$data" "$auth"
    mapfile -t options < <(db_options "$port" "$data")
    setsid mariadbd "${options[@]}" "$@" >"$run/db.log" 2>&1 </dev/null &
    local i
    for i in $(seq 1 150); do
        db_admin "$port" ping >/dev/null 2>&1 && return 0
        sleep 0.1
    done
    die "the database did not come up, see $run/db.log"
}

db_stop() { db_admin "$1" shutdown >/dev/null 2>&1 || true; }

# Who serves: root never does. Empty where bin/start is not root; else www-data, if it can read the project.
web_user() {
    [ "$(id -u)" = 0 ] || return 0
    if id www-data >/dev/null 2>&1 && setpriv --reuid=www-data --regid=www-data --clear-groups test -r "$root/public/index.php"; then
        printf www-data
    else
        die "the project lies where only root can read it: move it, to /srv for one, or start it as another user"
    fi
}
as_web() {
    if [ -n "$web" ]; then setpriv --reuid="$web" --regid="$web" --clear-groups -- env HOME="${TMPDIR:-/tmp}" "$@"; else "$@"; fi
}
answers() { # URL [START]: whether Escapement answers there and is up, or with an answer that starts like this; and not somebody else
    php -r '
        $context = stream_context_create(["http" => ["timeout" => 2, "ignore_errors" => true]]);
        exit(str_starts_with((string) @file_get_contents($argv[1], false, $context), $argv[2]) ? 0 : 1);
    ' "$1" "${2:-escapement: up}"
}
is_ours() { # URL: whether Escapement answers there, even when its database is gone
    answers "$1" 'escapement: '
}
is_taken() { # PORT: whether anything answers there
    php -r 'exit(@fsockopen("127.0.0.1", (int) $argv[1], $code, $words, 1) === false ? 1 : 0);' "$1"
}

# end_left PIDFILE WORD: ends the process group that an earlier start left behind, if that number is still what it was.
end_left() {
    local pid
    pid=$(cat "$1" 2>/dev/null) || return 0
    if [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -q -- "$2"; then
        kill -TERM -- "-$pid" 2>/dev/null || true
    fi
}

wait_for() {
    local url=$1 i
    for i in $(seq 1 100); do
        answers "$url" && return 0
        sleep 0.1
    done
    return 1
}
