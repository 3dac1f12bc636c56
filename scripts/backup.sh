# Shared by ./fern backup and ./fern restore: one file, gzip'd SQL behind one line that says what it is and its checksum.
# Needs $here, $run and lib.sh. FERN_DB_URL, FERN_DB_OWNER and FERN_DB_OWNER_PASSWORD say which database; without them it is
# the one ./start uses.

backup_magic="fernstep-backup"
backup_format=1

# db_options   sets db_name and the array db_options for the MariaDB programs, the password in a file nobody else can read
db_options() {
  local host port rest
  secret=$(mktemp "${TMPDIR:-/tmp}/fern.XXXXXX") || die "no room for a temporary file"
  chmod 600 "$secret"
  if [ -n "${FERN_DB_URL:-}" ]; then
    rest=${FERN_DB_URL#jdbc:mariadb://}
    [ "$rest" != "$FERN_DB_URL" ] || die "FERN_DB_URL should look like jdbc:mariadb://host:3306/fernstep"
    host=${rest%%/*}
    db_name=${rest#*/}
    db_name=${db_name%%\?*}
    port=3306
    case "$host" in *:*) port=${host##*:}; host=${host%:*} ;; esac
    printf '[client]\nuser=%s\npassword=%s\nhost=%s\nport=%s\nprotocol=tcp\n' \
      "${FERN_DB_OWNER:-${FERN_DB_USER:-fernstep}}" "${FERN_DB_OWNER_PASSWORD:-${FERN_DB_PASSWORD:-}}" "$host" "$port" >"$secret"
  else
    [ -S "$run/db.sock" ] || die "no database is running here: ./start it, or set FERN_DB_URL, FERN_DB_OWNER and FERN_DB_OWNER_PASSWORD"
    db_name=fernstep
    printf '[client]\nuser=fernstep\npassword=%s\nsocket=%s\n' "$(cat "$run/db.password")" "$run/db.sock" >"$secret"
  fi
  db_options=(--defaults-file="$secret")
}

# while_growing LABEL FILE PID   says once a second how far it is
while_growing() {
  local label=$1 file=$2 pid=$3
  while kill -0 "$pid" 2>/dev/null; do
    sleep 1
    [ -f "$file" ] && say "$label: $(($(stat -c %s "$file") / 1024)) kB"
  done
}

# backup FILE   a consistent picture of one moment, without sign-in sessions
backup() {
  local file=$1 sum version
  [ ! -e "$file" ] || die "$file is there already: choose another name"
  db_options
  body="$file.part"
  trap 'rm -f "$secret" "$body"' EXIT
  umask 077
  version=$(mariadb "${db_options[@]}" -N -e "SELECT MAX(CAST(version AS UNSIGNED)) FROM flyway_schema_history" "$db_name") \
    || die "the database did not answer"
  (
    set -o pipefail
    # triggers are written without the account that made them, so that any account can restore them
    mariadb-dump "${db_options[@]}" --single-transaction --quick --hex-blob --triggers --no-tablespaces --skip-comments \
      --ignore-table-data="$db_name.SPRING_SESSION" --ignore-table-data="$db_name.SPRING_SESSION_ATTRIBUTES" "$db_name" \
      | sed -E '/^\/\*!50003 CREATE\*\//s/\/\*!50017 DEFINER=[^*]*\*\///' | gzip -6 >"$body"
  ) &
  while_growing "backing up" "$body" $!
  wait $! || die "the backup failed: nothing was written to $file"
  sum=$(sha256sum <"$body" | cut -d' ' -f1)
  { printf '%s %s schema=%s sha256=%s made=%s\n' "$backup_magic" "$backup_format" "$version" "$sum" "$(date -u +%FT%TZ)"; cat "$body"; } \
    >"$file.new" && mv "$file.new" "$file" || die "$file could not be written"
  chmod 600 "$file"
  say "backed up to $file ($(($(stat -c %s "$file") / 1024)) kB, schema $version)"
}

# restore FILE   into an empty database; the app brings an older one up to date at its next start
restore() {
  local file=$1 head sum tables
  [ -r "$file" ] || die "$file cannot be read"
  head=$(head -c 300 "$file" | head -n 1 | tr -d '\0')
  case "$head" in
    "$backup_magic $backup_format schema="*" sha256="*) ;;
    "$backup_magic "*) die "$file was made by a newer Fern Step: restore it with that one" ;;
    *) die "$file is no backup of Fern Step" ;;
  esac
  sum=${head#*sha256=}
  sum=${sum%% *}
  say "checking $file"
  [ "$(tail -n +2 "$file" | sha256sum | cut -d' ' -f1)" = "$sum" ] || die "$file is damaged: its checksum does not fit. Nothing was changed"
  db_options
  trap 'rm -f "$secret"' EXIT
  tables=$(mariadb "${db_options[@]}" -N -e "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = '$db_name'") \
    || die "the database did not answer"
  [ "$tables" = 0 ] || die "the database $db_name is not empty: make an empty one and restore into that"
  (
    set -o pipefail
    tail -n +2 "$file" | gzip -dc | mariadb "${db_options[@]}" "$db_name"
  ) &
  local pid=$! began=$SECONDS
  while kill -0 "$pid" 2>/dev/null; do
    sleep 1
    say "restoring: $((SECONDS - began)) s, $(mariadb "${db_options[@]}" -N -e "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = '$db_name'" 2>/dev/null || echo '?') tables"
  done
  wait "$pid" || die "restoring stopped half-way: make the database anew before you try again"
  say "restored: start the app, which brings it up to date"
}
