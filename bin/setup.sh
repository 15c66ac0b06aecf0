# Sourced by the commands in this folder: goes to the project and installs what is missing.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

fail() { echo "$1" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null; then sudo "$@"; else fail "Please run as root: $*"; fi
}

need_debian() { # need_debian COMMAND PACKAGE...
  command -v "$1" >/dev/null && return
  shift
  command -v apt-get >/dev/null || fail "Please install: $*"
  echo "Installing $* …"
  as_root apt-get update -qq
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null
}

# Each thread that unpacks a picture would keep a heap of its own.
export MALLOC_ARENA_MAX=2

install_packages() {
  command -v node >/dev/null || fail 'Dewline needs Node.js 20 or newer.'
  [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Dewline needs Node.js 20 or newer; this is $(node -v)."
  local stamp=node_modules/.dewline-lock
  cmp -s package-lock.json "$stamp" && return
  need_debian make make
  need_debian g++ g++
  need_debian python3 python3
  echo 'Installing packages; the database is compiled, which takes about two minutes …'
  npm ci --no-audit --no-fund --loglevel=error
  cp package-lock.json "$stamp"
}

build_web() {
  local newest
  newest=$(find web core contract package-lock.json -type f -newer dist/web/index.html 2>/dev/null | head -n 1 || true)
  [ -f dist/web/index.html ] && [ -z "$newest" ] && return
  echo 'Building the web …'
  npm run --silent build -- --logLevel error
  touch dist/web/index.html
}
