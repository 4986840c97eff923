#!/usr/bin/env bash
# The first day of a company, from an empty start to a record that is proved on another machine: begin, invite, 200 sites from a list, an
# outage on a phone, backup, restored elsewhere with keys of its own, verified with the public key. Run by bin/test.
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/common.sh"
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/backup.sh"
cd "$root"
port=${1:?which port to serve on}
db_client=(--no-defaults -u root -h 127.0.0.1 -P "${DB_PORT:?}")
sql() { mariadb "${db_client[@]}" -N -e "$1"; }
artisan() {
    local database=$1
    shift
    DB_DATABASE="$database" php artisan "$@"
}
folder=$(mktemp -d)
server=''
finish() {
    [ -z "$server" ] || kill -TERM -- "-$server" 2>/dev/null || true
    sql 'DROP DATABASE IF EXISTS escapement_first; DROP DATABASE IF EXISTS escapement_other'
    rm -rf "$folder"
}
trap finish EXIT
export APP_URL="http://127.0.0.1:$port" ESCAPEMENT_DEMO=false ESCAPEMENT_KEYS="$folder/keys" VIEW_COMPILED_PATH="$folder/views"
mkdir -p "$folder/views"

sql 'DROP DATABASE IF EXISTS escapement_first; CREATE DATABASE escapement_first'
artisan escapement_first migrate --force --quiet
[ -z "$(sql 'SELECT email FROM escapement_first.users')" ] || die 'somebody is there on an empty start'
link=$(artisan escapement_first company:begin)
DB_DATABASE=escapement_first PHP_CLI_SERVER_WORKERS=4 \
    setsid php -S "127.0.0.1:$port" -t public bin/lib/router.php >"$folder/server.log" 2>&1 </dev/null &
server=$!
wait_for "$APP_URL/up" || die 'the server did not come up'
ESCAPEMENT_URL="$APP_URL" FIRST_LINK="$link" FIRST_REPORT="$folder/run.json" \
    npx playwright test --config=tests/FirstDay/playwright.config.js
[ -z "$(artisan escapement_first company:begin)" ] || die 'a second company could begin without a lead'

backup_write escapement_first "$folder/backup"
backup_prove "$folder/backup" escapement_other
tar -czf "$folder/keys.tar.gz" -C "$folder" keys
# Another machine: another database, and the keys from their own place.
mv "$folder/keys" "$folder/keys-of-before"
mkdir "$folder/elsewhere"
tar -xzf "$folder/keys.tar.gz" -C "$folder/elsewhere" --strip-components=1
export ESCAPEMENT_KEYS="$folder/elsewhere"
backup_read "$folder/backup" escapement_other
artisan escapement_other records:heads >"$folder/heads.txt" || die 'a record is not whole elsewhere'
cmp -s "$folder/heads.txt" "$folder/backup/heads.txt" || die 'the records elsewhere are others'
[ "$(sql 'SELECT COUNT(*) FROM escapement_other.sites')" = 200 ] || die 'sites were lost on the way'
company=$(sql 'SELECT id FROM escapement_other.companies')
key=$(artisan escapement_other company:key "$company")
bin/escapement verify-record --key "$key" "$folder/run.json" >"$folder/verified.json" || die 'the run does not verify with the public key'
other=$(php -r 'echo base64_encode(sodium_crypto_sign_publickey(sodium_crypto_sign_keypair()));')
! bin/escapement verify-record --key "$other" "$folder/run.json" >/dev/null 2>&1 || die 'it verifies with the key of somebody else'
sed 's/"at_ms": 0/"at_ms": 1/' "$folder/run.json" >"$folder/changed.json"
! cmp -s "$folder/run.json" "$folder/changed.json" || die 'nothing was changed to be found'
! bin/escapement verify-record --key "$key" "$folder/changed.json" >/dev/null 2>&1 || die 'a changed mark verifies'
say 'A first day: 200 sites, one outage signed, backed up, restored elsewhere, proved with the public key.'
