#!/usr/bin/env bash
# A backup is read back into a second database: every table is the same, every record is whole; and what was tampered with is told.
# Run by bin/test, on the data that the browser tests left.
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/common.sh"
. "$(dirname "${BASH_SOURCE[0]}")/../bin/lib/backup.sh"
cd "$root"
db_client=(--no-defaults -u root -h 127.0.0.1 -P "${DB_PORT:?}")
artisan() {
    local database=$1
    shift
    DB_DATABASE="$database" php artisan "$@"
}
sql() { mariadb "${db_client[@]}" -N -e "$1"; }
expect() { [ "$2" = "$3" ] || die "$1: expected $3, found $2"; }
fails() { ! ("${@:2}") >/dev/null 2>&1 || die "$1 was not told"; }
folder=$(mktemp -d)
trap 'rm -rf "$folder"; sql "DROP DATABASE IF EXISTS escapement_restored; DROP DATABASE IF EXISTS escapement_proof"' EXIT

backup_write escapement_browser "$folder"
backup_prove "$folder" escapement_proof
[ -s "$folder/heads.txt" ] || die 'the backup has no records'
backup_read "$folder" escapement_restored
artisan escapement_restored records:heads >"$folder/restored.txt" || die 'a record is not whole after it was restored'
cmp -s "$folder/heads.txt" "$folder/restored.txt" || die 'the records are not those of the backup'
compared=0
for table in $(sql "SELECT table_name FROM information_schema.tables WHERE table_schema='escapement_browser' ORDER BY 1"); do
    case " ${not_kept[*]} " in *" $table "*) expect "$table" "$(sql "SELECT COUNT(*) FROM escapement_restored.$table")" 0; continue ;; esac
    expect "$table" "$(sql "CHECKSUM TABLE escapement_restored.$table" | cut -f2)" \
        "$(sql "CHECKSUM TABLE escapement_browser.$table" | cut -f2)"
    compared=$((compared + 1))
done
[ $compared -gt 30 ] || die "only $compared tables were compared"

heads() { artisan escapement_restored records:heads; }
sql "CREATE TABLE escapement_restored.kept AS SELECT * FROM escapement_restored.record_entries"
for change in "UPDATE escapement_restored.record_entries SET entry = REPLACE(entry, '\"who\":\"', '\"who\":\"X') ORDER BY id LIMIT 1" \
    "DELETE FROM escapement_restored.record_entries ORDER BY id DESC LIMIT 1" \
    "UPDATE escapement_restored.runs SET seal = NULL WHERE seal IS NOT NULL" \
    "UPDATE escapement_restored.load_tests SET head = REPEAT('a', 64) LIMIT 1"; do
    sql "$change"
    fails "$change" heads
    sql "DELETE FROM escapement_restored.record_entries;
        INSERT INTO escapement_restored.record_entries SELECT * FROM escapement_restored.kept;
        UPDATE escapement_restored.runs r JOIN escapement_browser.runs b USING (id) SET r.seal = b.seal"
    case "$change" in *record_entries* | *seal*) heads >/dev/null || die "it stays broken after: $change" ;; esac
done
printf 'x' >>"$folder/data.sql.gz"
fails 'a byte more' backup_read "$folder" escapement_restored
say "A backup of $compared tables and $(wc -l <"$folder/heads.txt") records was read back whole."
