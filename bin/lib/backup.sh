# Writes all data and reads it back, for bin/backup, bin/restore and bin/test.
# shellcheck shell=bash
# Needs: common.sh; db_client, an array of options by which the clients reach the server with every right; web, who serves; and the
# password of the owner of the data, as owner_password.

# What holds nothing that is worth keeping: who was signed in, and what can be worked out again.
not_kept=(cache cache_locks sessions)

# What an artisan of here is told beside its database.
artisan_env=()

# artisan DATABASE COMMAND …: as the owner of the data, who may change tables and records; the application itself may not.
artisan() {
    local database=$1
    shift
    as_web env DB_DATABASE="$database" DB_USERNAME=escapement_owner DB_PASSWORD="$owner_password" APP_CONFIG_CACHE="$var/no-config.php" \
        "${artisan_env[@]}" php artisan "$@"
}

# backup_write DATABASE FOLDER: the dump, and the heads of all records as they are in it.
backup_write() {
    local database=$1 folder=$2 table skip=()
    mkdir -p "$folder" && chmod 700 "$folder"
    for table in "${not_kept[@]}"; do skip+=("--ignore-table-data=$database.$table"); done
    # One moment of all tables; the heads are read from the dump again by backup_read, so nobody has to stop writing meanwhile.
    mariadb-dump "${db_client[@]}" --single-transaction --quick --hex-blob --skip-comments "${skip[@]}" "$database" \
        | gzip -n >"$folder/data.sql.gz.part"
    gzip -t "$folder/data.sql.gz.part"
    mv "$folder/data.sql.gz.part" "$folder/data.sql.gz"
    (cd "$folder" && sha256sum data.sql.gz >SHA256SUMS)
}

# backup_read FOLDER DATABASE: into a database that is made anew.
backup_read() {
    local folder=$1 database=$2
    (cd "$folder" && sha256sum --check --status SHA256SUMS) || die "$folder is not what was written: a checksum differs"
    mariadb "${db_client[@]}" -e "DROP DATABASE IF EXISTS \`$database\`; CREATE DATABASE \`$database\`"
    gunzip -c "$folder/data.sql.gz" | mariadb "${db_client[@]}" "$database"
}

# backup_prove FOLDER DATABASE: the dump is read into a second database, every record in it verifies, and its heads are kept beside it.
backup_prove() {
    local folder=$1 second=$2
    backup_read "$folder" "$second"
    artisan "$second" records:heads >"$folder/heads.txt" || die "a record in the backup is not whole, see $folder/heads.txt"
    mariadb "${db_client[@]}" -e "DROP DATABASE \`$second\`"
    (cd "$folder" && sha256sum heads.txt >>SHA256SUMS)
}
