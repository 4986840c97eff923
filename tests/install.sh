#!/usr/bin/env bash
# What bin/install would put on a server is taken by the programs it is for: nginx, PHP, logrotate; and the database starts as a service
# starts it. Run by bin/test.
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/common.sh"
cd "$root"
need openssl=openssl logrotate=logrotate
folder=$(mktemp -d)
database=''
trap '[ -z "$database" ] || kill "$database" 2>/dev/null || true; rm -rf "$folder"' EXIT
refused() { ! bin/install "$@" >/dev/null 2>&1 || die "bin/install took: $*"; }
refused
refused 'Evil; rm'
refused escapement.example --at relative
refused escapement.example --unknown x

bin/install escapement.example --at /srv/escapement --files "$folder/etc" >/dev/null
! grep -rn '@[A-Z]*@' "$folder/etc" || die 'a place in a template was not filled'
openssl req -x509 -newkey rsa:2048 -nodes -days 1 -subj /CN=escapement.example \
    -keyout "$folder/key.pem" -out "$folder/fullchain.pem" 2>/dev/null
sed -e "s|/etc/escapement/tls|$folder|g; s|listen 80; listen \[::\]:80;|listen 127.0.0.1:18980;|" \
    -e "s|listen 443 ssl http2; listen \[::\]:443 ssl http2;|listen 127.0.0.1:18943 ssl http2;|" \
    -e "s|/var/log/nginx/escapement.log|$folder/nginx.log|" "$folder/etc/nginx.conf" >"$folder/site.conf"
cat >"$folder/whole.conf" <<CONF
pid $folder/nginx.pid;
events {}
http {
    client_body_temp_path $folder/b;
    proxy_temp_path $folder/p;
    fastcgi_temp_path $folder/f;
    uwsgi_temp_path $folder/u;
    scgi_temp_path $folder/s;
    access_log off;
    include $folder/site.conf;
}
CONF
/usr/sbin/nginx -e "$folder/nginx.log" -t -c "$folder/whole.conf" 2>"$folder/said" \
    || die "nginx does not take its file: $(cat "$folder/said")"
sed -e "s|/srv/escapement/storage/logs|$folder|; s|/run/escapement|$folder|; /listen.group/d" "$folder/etc/fpm.conf" >"$folder/fpm.conf"
[ "$(id -u)" != 0 ] || printf 'user = www-data\n' >>"$folder/fpm.conf"
/usr/sbin/php-fpm8.2 -t -y "$folder/fpm.conf" 2>"$folder/said" || die "PHP does not take its file: $(cat "$folder/said")"
sed -e "s|/srv/escapement/storage/logs|$folder|g; /^ *su /d" "$folder/etc/logrotate.conf" >"$folder/turn.conf"
chmod 644 "$folder/turn.conf"
printf 'a line\n' >"$folder/laravel.log"
/usr/sbin/logrotate --force --state "$folder/state" "$folder/turn.conf" || die 'logrotate does not take its file'
[ ! -s "$folder/laravel.log" ] && [ -s "$folder/laravel.log.1" ] || die 'the log was not turned'
for unit in "$folder"/etc/*.service; do
    grep -q '^User=escapement$' "$unit" && grep -q '^NoNewPrivileges=yes$' "$unit" || die "$unit runs with more than it needs"
    program=$(sed -n 's/^ExecStart=//p' "$unit" | cut -d' ' -f1 | sed "s|^/srv/escapement|$root|")
    [ -x "$program" ] || die "$unit starts $program, which is not there"
done
port=$((${ESCAPEMENT_TEST_DB_PORT:-3318} + 1000))
(db_exec "$port" "$folder/db" socket) >"$folder/db.log" 2>&1 &
database=$!
for i in $(seq 1 100); do db_admin "$port" ping >/dev/null 2>&1 && break; sleep 0.1; done
[ "$(db_sql "$port" -N -e 'SELECT 1 + 1')" = 2 ] || die 'the database of a service did not start'
db_stop "$port"
say 'What bin/install writes is taken by nginx, PHP and logrotate; the database starts as a service starts it.'
