#!/usr/bin/env bash
# A database of an earlier edition (tests/data/upgrade, the demo of that day) is brought up to this one: no row is lost, every record is
# whole, every page of every site answers. Run by bin/test.
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/common.sh"
cd "$root"
db_client=(--no-defaults -u root -h 127.0.0.1 -P "${DB_PORT:?}")
sql() { mariadb "${db_client[@]}" -N -e "$1"; }
folder=$(mktemp -d)
trap 'rm -rf "$folder"; sql "DROP DATABASE IF EXISTS escapement_upgrade"' EXIT
export DB_DATABASE=escapement_upgrade ESCAPEMENT_KEYS="$folder/keys" VIEW_COMPILED_PATH="$folder/views"
mkdir -p "$folder/views"
count() { for table in "$@"; do printf '%s %s\n' "$table" "$(sql "SELECT COUNT(*) FROM escapement_upgrade.$table")"; done; }
for dump in tests/data/upgrade/*.sql.gz; do
    sql 'DROP DATABASE IF EXISTS escapement_upgrade; CREATE DATABASE escapement_upgrade'
    gunzip -c "$dump" | mariadb "${db_client[@]}" escapement_upgrade
    kept=(companies users sites switches sheets loads runs marks record_entries step_answers photos photo_files recordings scenarios)
    count "${kept[@]}" >"$folder/before"
    php artisan migrate --force --quiet
    count "${kept[@]}" >"$folder/after"
    cmp "$folder/before" "$folder/after" || die "rows were lost on the way from $dump"
    php artisan records:heads >"$folder/heads" || die "a record of $dump is not whole: $(grep FAULT "$folder/heads")"
    pages=$(php tests/upgrade.php) || die "pages of $dump do not answer: $pages"
    say "$(basename "$dump" .sql.gz): $(wc -l <"$folder/heads") records whole, $pages answer"
done
