# Installs what is missing on a fresh Debian 12: packages, PHP and npm libraries, the front end. Sourced by the other scripts.
say() { printf '%s\n' "$*"; }
die() { printf 'cubo: %s\n' "$*" >&2; exit 1; }

# Whether something answers on a port of loopback already.
taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# free_port N: the first port from N on that nothing answers on.
free_port() { local p=$1; while taken "$p"; do p=$((p + 1)); done; printf '%s\n' "$p"; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null; then sudo "$@"
  else die "these packages are missing and only root can install them: ${MISSING[*]}"
  fi
}

PHP_EXTENSIONS=(curl pgsql zip mbstring intl xml opcache)

# need_packages PACKAGE=COMMAND ...: installs each package whose command is not there.
need_packages() {
  MISSING=()
  local pair module
  for pair in "$@"; do
    PATH=$PATH:/usr/sbin:/usr/lib/postgresql/15/bin command -v "${pair#*=}" >/dev/null || MISSING+=("${pair%%=*}")
  done
  for module in "${PHP_EXTENSIONS[@]}"; do
    dpkg-query -W -f='${db:Status-Abbrev}' "php8.2-$module" 2>/dev/null | grep -q '^ii' || MISSING+=("php8.2-$module")
  done
  [ ${#MISSING[@]} -eq 0 ] && return 0
  command -v apt-get >/dev/null || die "these are missing and this is no Debian, where they could be installed: ${MISSING[*]}"
  say "Installing ${MISSING[*]} ..."
  local log=$ROOT/storage/logs/packages.log
  as_root env DEBIAN_FRONTEND=noninteractive apt-get update -qq >"$log" 2>&1 &&
    as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${MISSING[@]}" >>"$log" 2>&1 ||
    die "could not install ${MISSING[*]}; the reason is in storage/logs/packages.log: $(tail -n 1 "$log")"
}

# stamp NAME FILE ...: true when the files are as they were when `stamp_done NAME` was last called.
stamp_of() { shift; find "$@" -type f -print0 2>/dev/null | sort -z | xargs -0 sha1sum | sha1sum | cut -d' ' -f1; }
stamp_is() { [ "$(cat "$ROOT/storage/stamps/$1" 2>/dev/null)" = "$(stamp_of "$@")" ]; }
stamp_done() { stamp_of "$@" > "$ROOT/storage/stamps/$1"; }

need_folders() {
  mkdir -p "$ROOT"/storage/{app/parts,framework/{cache/data,sessions,views},logs,stamps,run} "$ROOT/bootstrap/cache"
}

need_composer() {
  local files=("$ROOT/composer.json" "$ROOT/pins")
  [ -f "$ROOT/vendor/autoload.php" ] && stamp_is composer "${files[@]}" && return 0
  say "Installing PHP libraries ..."
  (cd "$ROOT" && COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress --no-audit -q) >"$ROOT/storage/logs/composer.log" 2>&1 ||
    die "Composer could not install the PHP libraries; the reason is in storage/logs/composer.log"
  # some packages come without the right to read for others, which the web server's workers need
  chmod -R a+rX "$ROOT/vendor"
  rm -f "$ROOT"/bootstrap/cache/*.php
  stamp_done composer "${files[@]}"
}

# Debian 12's own Node is older than the front end's tools want; the npm registry has a newer one as a package.
NODE_VERSION=22.23.3
need_node() {
  local arch folder
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 22 || (a === 22 && b >= 12) || (a === 20 && b >= 19) ? 0 : 1)' 2>/dev/null && return 0
  case "$(uname -m)" in x86_64) arch=linux-x64 ;; aarch64) arch=linux-arm64 ;; *) die "no Node 20 for this kind of processor could be found; install one and start again" ;; esac
  folder=$ROOT/storage/node
  if ! [ -x "$folder/node_modules/node-$arch/bin/node" ]; then
    say "Installing Node $NODE_VERSION for the front end ..."
    (mkdir -p "$folder" && cd "$folder" && npm install --no-save --no-audit --no-fund --loglevel=error --prefix "$folder" "node-$arch@$NODE_VERSION") >"$ROOT/storage/logs/node.log" 2>&1 ||
      die "Node $NODE_VERSION could not be installed; the reason is in storage/logs/node.log"
  fi
  export PATH="$folder/node_modules/node-$arch/bin:$PATH"
}

need_npm() {
  [ -d "$ROOT/node_modules" ] && stamp_is npm "$ROOT/package-lock.json" && return 0
  say "Installing script libraries ..."
  (cd "$ROOT" && npm ci --no-audit --no-fund --loglevel=error) >"$ROOT/storage/logs/npm.log" 2>&1 ||
    die "npm could not install the script libraries; the reason is in storage/logs/npm.log"
  stamp_done npm "$ROOT/package-lock.json"
}

need_build() {
  local files=("$ROOT/resources" "$ROOT/vite.config.js" "$ROOT/package-lock.json")
  [ -f "$ROOT/public/build/manifest.json" ] && stamp_is build "${files[@]}" && return 0
  say "Building the front end ..."
  (cd "$ROOT" && npx --no-install vite build) >"$ROOT/storage/logs/vite.log" 2>&1 ||
    die "the front end could not be built; the reason is in storage/logs/vite.log"
  stamp_done build "${files[@]}"
}

need_env() {
  [ -f "$ROOT/.env" ] && return 0
  (umask 077; cat > "$ROOT/.env" <<ENV
APP_NAME=Cubo
APP_ENV=production
APP_DEBUG=false
APP_KEY=base64:$(head -c 32 /dev/urandom | base64)
# the school's time zone, such as Europe/Dublin
APP_TIMEZONE=$(cat /etc/timezone 2>/dev/null || echo UTC)
LOG_CHANNEL=daily
SESSION_COOKIE=cubo_$(printf %s "$ROOT" | sha1sum | cut -c1-8)
# megabytes that made parts may take; older ones are made again when they are needed
PARTS_MB=2048
DB_PORT=$(free_port 54329)
DB_PASSWORD=$(head -c 24 /dev/urandom | base64 | tr -dc 'a-zA-Z0-9')
ENV
  )
}

# The tests' database keeps its port where it runs already or where the port is free; another copy's tests may run beside.
tests_database_port() {
  local port=${TEST_PG_PORT:-54330}
  [ -n "${TEST_PG_PORT:-}" ] || ! taken "$port" || PG_NAME=pg-test PG_PORT=$port DB_PASSWORD=for-tests-only "$ROOT/bin/pg" ours || port=$(free_port $((port + 1)))
  printf '%s\n' "$port"
}

# Several copies on one machine each have a database of their own, on a port of its own.
need_own_database_port() {
  local port
  port=$(sed -n 's/^DB_PORT=//p' "$ROOT/.env" | tail -n 1)
  [ -n "$port" ] || { port=54329; echo "DB_PORT=$port" >> "$ROOT/.env"; }
  [ -n "${PG_PORT:-}" ] && port=$PG_PORT
  if taken "$port" && ! PG_PORT=$port "$ROOT/bin/pg" ours; then
    port=$(free_port $((port + 1)))
    say "Another database is on this one's port; port $port is taken instead."
  fi
  sed -i "s/^DB_PORT=.*/DB_PORT=$port/" "$ROOT/.env"
  grep -q '^SESSION_COOKIE=' "$ROOT/.env" || echo "SESSION_COOKIE=cubo_$(printf %s "$ROOT" | sha1sum | cut -c1-8)" >> "$ROOT/.env"
  unset PG_PORT
}

# What the core needs on its own: PHP and the autoloader.
need_core() {
  need_folders
  need_packages php8.2-cli=php composer=composer unzip=unzip
  need_composer
}

need_all() {
  need_folders
  need_packages php8.2-cli=php php8.2-fpm=php-fpm8.2 composer=composer unzip=unzip nodejs=node npm=npm \
    postgresql-15=initdb nginx-light=nginx curl=curl librsvg2-bin=rsvg-convert "$@"
  need_node
  need_composer
  need_npm
  need_build
  need_env
}
