# Sourced by bin/backup and bin/restore, in the project's folder.

# which_database <command> — sets $url: the database that is named, that of the house that is named, or the only one
# that was started here. Says what to name, for this command, where that is not clear.
which_database() {
  url=${CLOTHESPIN_DATABASE_URL:-}
  [ -n "$url" ] || [ -z "${CLOTHESPIN_HOME:-}" ] || url=$(cat "$CLOTHESPIN_HOME/database.url")
  if [ -z "$url" ] && [ -e .build/house.url ] && [ -e .build/demo.url ]; then
    echo "A house and the demo were started here. Say which: CLOTHESPIN_HOME=<its folder> $1," \
      "or CLOTHESPIN_DATABASE_URL=\$(cat .build/demo.url) $1." >&2
    exit 1
  fi
  [ -n "$url" ] || url=$(cat .build/house.url .build/demo.url 2>/dev/null || true)
  if [ -z "$url" ]; then
    echo "Say which database: CLOTHESPIN_DATABASE_URL=postgres://… $1." \
      "(For a house or the demo, start bin/serve or bin/demo once.)" >&2
    exit 1
  fi
}
