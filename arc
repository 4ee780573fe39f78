#!/bin/sh
# Good Arc: one entry for everything. Hands over to Node; see tools/main.mjs.
here=$(CDPATH='' cd -- "$(dirname -- "$0")" && pwd) || exit 1
if ! command -v node >/dev/null 2>&1; then
  echo "Good Arc needs Node 20.19 or newer, and there is no node on this machine." >&2
  exit 1
fi
exec node "$here/tools/main.mjs" "$@"
