# Sourced by bin/demo, bin/test and bin/bench: installs what is missing, and builds when something changed.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export NUXT_TELEMETRY_DISABLED=1
mkdir -p .build

stop_with() { printf '\n%s\n\n' "$*" >&2; exit 1; }

# need_debian <command-or-path> <package> — installs a Debian package unless what it brings is there.
need_debian() {
  local missing=()
  while [ $# -gt 0 ]; do
    if ! command -v "$1" >/dev/null 2>&1 && ! compgen -G "$1" >/dev/null; then missing+=("$2"); fi
    shift 2
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  [ "$(id -u)" = 0 ] || stop_with "Clothespin needs the Debian package(s) ${missing[*]}." \
    "Install them once as root: apt-get install -y ${missing[*]}"
  command -v apt-get >/dev/null \
    || stop_with "Clothespin needs ${missing[*]}, and this system has no apt-get to install them with."
  echo "  Installing from Debian: ${missing[*]} …"
  # No cluster of Debian's own: ours is private, in its own folder.
  if [[ " ${missing[*]} " == *" postgresql "* ]]; then
    mkdir -p /etc/postgresql-common
    local settings=/etc/postgresql-common/createcluster.conf
    [ -e "$settings" ] || echo 'create_main_cluster = false' > "$settings"
  fi
  apt-get update -qq >/dev/null 2>&1 \
    || echo "  (the package lists could not be renewed; trying with those that are here)"
  if ! DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "${missing[@]}" >.build/apt.log 2>&1; then
    tail -5 .build/apt.log >&2
    stop_with "The Debian package(s) ${missing[*]} could not be installed." \
      "Is this machine connected to a Debian mirror?"
  fi
}

# need_browser — Debian's Chromium without a window, which tests need a seventh less time with; else the whole one.
need_browser() {
  command -v chromium-headless-shell >/dev/null 2>&1 && return 0
  command -v chromium >/dev/null 2>&1 && return 0
  (need_debian chromium-headless-shell chromium-headless-shell) >/dev/null 2>&1 || need_debian chromium chromium
}

need_node() {
  command -v node >/dev/null || stop_with "Clothespin needs Node.js 20.19 or newer."
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a * 100 + b >= 2019 ? 0 : 1)' \
    || stop_with "Clothespin needs Node.js 20.19 or newer; this is $(node --version)."
}

need_packages() {
  local stamp=node_modules/.clothespin-installed
  if [ -e "$stamp" ] && cmp -s package-lock.json "$stamp"; then return 0; fi
  echo "  Installing npm packages …"
  if ! npm ci --no-audit --no-fund --loglevel=error >.build/npm.log 2>&1; then
    tail -15 .build/npm.log >&2
    stop_with "The npm packages could not be installed. Is this machine connected to an npm registry?"
  fi
  cp package-lock.json "$stamp"
}

# One checksum over everything that is built from.
sources_sum() {
  find app core server standins run demo bench scripts public nuxt.config.ts package-lock.json -type f \
    ! -name '*.test.ts' ! -path 'public/api/*' ! -path app/contract.d.ts -print0 2>/dev/null \
    | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1
}

build() {
  node scripts/font-metrics.mjs --check && node scripts/openapi.mjs && npx --no-install nuxt build \
    && node scripts/bundle.mjs
}

# A build is used again as long as no source file changed.
need_build() {
  local sum
  sum=$(sources_sum)
  if [ -e .build/stamp ] && [ "$(cat .build/stamp)" = "$sum" ] \
    && [ -e .output/server/index.mjs ] && [ -e app/contract.d.ts ]; then
    return 0
  fi
  echo "  Building (about a minute; only when something changed) …"
  mkdir -p .build
  rm -f .build/stamp
  if ! build >.build/build.log 2>&1; then
    tail -30 .build/build.log >&2
    stop_with "The build failed; the whole log is .build/build.log."
  fi
  echo "$sum" > .build/stamp
}
