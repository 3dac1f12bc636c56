# Shared by start and test: what must be installed, and a MariaDB of the project's own on loopback.
# Needs $here (the checkout) and $run (its .run folder).

say() { printf 'fern: %s\n' "$*"; }
die() { printf 'fern: %s\n' "$*" >&2; exit 1; }

# moving LABEL LOG   keeps what comes in LOG and shows that it moves: modules and tests as they begin, packages by the
# dozen, and what is under way whenever nothing was said for ten seconds. FERN_SHOW=all lets every other line through. Its
# callers set pipefail, so that a failed step fails the pipe.
moving() {
  local label=$1 log=$2 line got=0 fetched=0 last=$1 since=$SECONDS began=$SECONDS
  : >"$log"
  while true; do
    got=0
    IFS= read -r -t 10 line || got=$?
    if [ "$got" -gt 128 ]; then
      say "$label: $((SECONDS - began)) s, now at: $last"
      continue
    fi
    [ "$got" -eq 0 ] || break
    printf '%s\n' "$line" >>"$log"
    case "$line" in
      *"Downloading from"* | *"Get:"*) last="fetching ${line##*/}" ;;
      *"Downloaded from"*)
        fetched=$((fetched + 1))
        if [ $((fetched % 50)) -eq 0 ]; then say "$label: $fetched packages fetched"; since=$SECONDS; fi
        ;;
      *"Progress ("*) ;;
      "[INFO] Building Fern Step"*"["*"/"*"]"*)
        last=${line#"[INFO] Building "}
        say "$label: ${last%% [*}, ${last##*[}" | sed 's/]$//; s#/# of #; s/  *,/,/'
        since=$SECONDS
        ;;
      "[INFO] Running "*)
        last=${line#"[INFO] Running "}
        if [ "${FERN_SHOW:-}" = all ]; then printf '%s\n' "$line"; fi
        ;;
      "[INFO] --- "*) last=${line#"[INFO] --- "} ;;
      *)
        if [ "${FERN_SHOW:-}" = all ]; then printf '%s\n' "$line"; fi
        ;;
    esac
    if [ $((SECONDS - since)) -ge 10 ] && [ "${FERN_SHOW:-}" != all ]; then
      say "$label: $((SECONDS - began)) s, now at: $last"
      since=$SECONDS
    fi
  done
}

# ensure_tools PACKAGE:COMMAND…   installs what is missing from Debian's packages
ensure_tools() {
  local pair missing=()
  for pair in "$@"; do
    command -v "${pair#*:}" >/dev/null 2>&1 || [ -x "/usr/sbin/${pair#*:}" ] || missing+=("${pair%%:*}")
  done
  [ "${#missing[@]}" -eq 0 ] && return 0
  command -v apt-get >/dev/null 2>&1 || die "missing: ${missing[*]}. Please install them; this is not a Debian machine."
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null 2>&1 || die "missing: ${missing[*]}. No sudo here: ask root to run: apt-get install --no-install-recommends ${missing[*]}"
    sudo -n true 2>/dev/null || [ -t 0 ] || die "missing: ${missing[*]}. sudo wants a password: run once: sudo apt-get install --no-install-recommends ${missing[*]}"
    as=(sudo)
  fi
  say "installing ${missing[*]}"
  "${as[@]}" apt-get update 2>&1 | moving "package lists" "$run/apt-update.log" \
    || die "apt-get update failed, see .run/apt-update.log"
  "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}" 2>&1 \
    | moving "installing" "$run/apt.log" \
    || die "installing ${missing[*]} failed, see .run/apt.log"
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  local p
  for p in $(seq "$1" "$(($1 + 200))"); do
    port_taken "$p" || { echo "$p"; return 0; }
  done
  die "no free port from $1 on"
}

# secret FILE   writes a password of 192 random bits there, readable by its owner alone, unless there is one
secret() {
  [ -s "$1" ] || (umask 077; head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' >"$1")
}

# as_user NAME PASSWORD [command…]   the client on this database's socket; the password is in no list of processes
as_user() {
  local user=$1
  MYSQL_PWD=$2 mariadb --no-defaults --socket="$socket" -u "$user" "${@:3}"
}

# db_start NAME PORT [mariadbd options…]   data in .run/NAME; sets FERN_DB_* and db_pid
db_start() {
  local name=$1 port=$2 data="$run/$1" socket password app_password root_password ready=0 as=()
  shift 2
  [ "$(id -u)" -eq 0 ] && as=(--user=root)
  socket="$data.sock"
  [ "${#socket}" -le 100 ] || socket="/tmp/fernstep-$(id -u)-$(printf %s "$data" | cksum | cut -d' ' -f1).sock"
  if [ -d "$data" ] && [ ! -f "$data.made" ]; then
    die "the data folder .run/$name is half-made: remove it (rm -r .run/$name) and start again."
  fi
  if [ ! -d "$data" ]; then
    say "making the database folder .run/$name"
    mariadb-install-db --no-defaults "${as[@]}" --auth-root-authentication-method=normal --skip-test-db \
      --datadir="$data" >"$run/$name-install.log" 2>&1 || die "the database folder could not be made, see .run/$name-install.log"
  fi
  PATH="$PATH:/usr/sbin" mariadbd --no-defaults "${as[@]}" --datadir="$data" --socket="$socket" --port="$port" \
    --bind-address=127.0.0.1 --pid-file="$data.pid" --skip-log-bin --character-set-server=utf8mb4 \
    --collation-server=utf8mb4_unicode_ci --innodb-buffer-pool-size=128M "$@" >"$run/$name.log" 2>&1 &
  db_pid=$!
  for _ in $(seq 1 150); do
    if mariadb-admin --no-defaults --socket="$socket" -u root ping >/dev/null 2>&1; then ready=1; break; fi
    if [ -f "$data.made" ] && MYSQL_PWD=$(cat "$data.password") mariadb-admin --no-defaults --socket="$socket" -u fernstep ping >/dev/null 2>&1; then ready=1; break; fi
    kill -0 "$db_pid" 2>/dev/null || die "the database did not start, see .run/$name.log"
    sleep 0.1
  done
  [ "$ready" -eq 1 ] || die "the database did not answer, see .run/$name.log"
  if [ ! -f "$data.made" ]; then
    rm -f "$data.password" "$data.app-password" "$data.root-password"
    secret "$data.password"
    secret "$data.root-password"
    password=$(cat "$data.password")
    as_user root "" <<SQL || die "the database account could not be made"
CREATE DATABASE fernstep CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER 'fernstep'@'127.0.0.1' IDENTIFIED BY '$password';
CREATE USER 'fernstep'@'localhost' IDENTIFIED BY '$password';
GRANT ALL ON fernstep.* TO 'fernstep'@'127.0.0.1';
GRANT ALL ON fernstep.* TO 'fernstep'@'localhost';
ALTER USER 'root'@'localhost' IDENTIFIED BY '$(cat "$data.root-password")';
SQL
    # The tests migrate a database of an earlier release beside their own, and restore a backup under another account.
    if [ "$name" = test-db ]; then
      as_user root "$(cat "$data.root-password")" -e \
        "GRANT ALL ON fernstep_before.* TO 'fernstep'@'127.0.0.1'; GRANT ALL ON fernstep_before.* TO 'fernstep'@'localhost';
         CREATE DATABASE fernstep_restored; CREATE USER 'somebody_else'@'127.0.0.1' IDENTIFIED BY '$password';
         GRANT ALL ON fernstep_restored.* TO 'somebody_else'@'127.0.0.1'" \
        || die "the database account could not be made"
    fi
    : >"$data.made"
  fi
  password=$(cat "$data.password")
  secret "$data.app-password"
  app_password=$(cat "$data.app-password")
  # A folder of an earlier release has one password for all three: each gets its own.
  secret "$data.root-password"
  root_password=$(cat "$data.root-password")
  as_user root "$root_password" -e "SELECT 1" >/dev/null 2>&1 \
    || as_user root "$password" -e "ALTER USER 'root'@'localhost' IDENTIFIED BY '$root_password'" \
    || die "the database's root account does not answer"
  # Two accounts: the owner makes and changes the tables; the app works with one that may only add to the audit trail.
  as_user root "$root_password" <<SQL || die "the app's database account could not be made"
CREATE USER IF NOT EXISTS 'fernstep_app'@'127.0.0.1';
CREATE USER IF NOT EXISTS 'fernstep_app'@'localhost';
ALTER USER 'fernstep_app'@'127.0.0.1' IDENTIFIED BY '$app_password';
ALTER USER 'fernstep_app'@'localhost' IDENTIFIED BY '$app_password';
GRANT ALL ON fernstep.* TO 'fernstep'@'127.0.0.1' WITH GRANT OPTION;
GRANT ALL ON fernstep.* TO 'fernstep'@'localhost' WITH GRANT OPTION;
SQL
  printf '%s\n' "$port" >"$data.port"
  export FERN_DB_URL="jdbc:mariadb://127.0.0.1:$port/fernstep" FERN_DB_USER=fernstep_app FERN_DB_OWNER=fernstep
  export FERN_DB_PASSWORD=$app_password FERN_DB_OWNER_PASSWORD=$password
}

db_stop() {
  [ -n "${db_pid:-}" ] && kill "$db_pid" 2>/dev/null && wait "$db_pid" 2>/dev/null
  db_pid=
}

# build_app   builds when a source is newer than the last build, and unpacks it for a quick start
build_app() {
  local stamp="$run/app/.built"
  if [ -f "$stamp" ] && [ -z "$(find "$here/core/src/main" "$here/exchange/src/main" "$here/device/src/main" "$here/app/src/main" "$here/demo/src/main" "$here"/pom.xml "$here"/*/pom.xml -newer "$stamp" -print -quit)" ]; then
    return 0
  fi
  say "building (the first time fetches packages and takes a few minutes)"
  (cd "$here" && mvn -B -T 2 -Prun,demo -Dfern.run package 2>&1) | moving "building" "$run/build.log" || {
    grep '^\[ERROR\]' "$run/build.log" | head -20 >&2
    die "the build failed, see .run/build.log"
  }
  rm -rf "$run/app"
  (cd "$run" && java -Djarmode=tools -jar "$here/demo/target/fernstep.jar" extract --destination app >/dev/null) || die "the jar could not be unpacked"
  : >"$stamp"
}

# class_archive   one rehearsal start writes the class archive that makes later starts quick
# Two cores and half a gigabyte: a collector that runs beside the app takes more of two cores than it gives, so does memory
# kept apart for each thread, and so does the thorough compiler: for minutes it takes one core from who waits for an answer.
java_small=(-XX:+UseSerialGC -Xmx384m -XX:TieredStopAtLevel=1)
export MALLOC_ARENA_MAX=2

class_archive() {
  [ -f "$run/app/fernstep.jsa" ] && return 0
  say "rehearsing the start once"
  (cd "$run/app" && java "${java_small[@]}" -XX:ArchiveClassesAtExit=fernstep.jsa -Xlog:disable -Dspring.context.exit=onRefresh -Dfern.demo=false \
    -jar fernstep.jar >"$run/rehearsal.log" 2>&1) || { rm -f "$run/app/fernstep.jsa"; return 0; }
}
