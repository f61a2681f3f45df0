#!/usr/bin/env bash
# fetch-report-checkers.sh [DEST]: brings what reports are checked with, out of npm packages: the Nu HTML
# checker (vnu.jar), the accessibility checker axe-core (axe.min.js) and the JSON Schemas of HAR 1.2. Needs
# npm and tar. They are not ours and are never committed.
set -euo pipefail
dest=${1:-$(dirname "${BASH_SOURCE[0]}")/fetched/reports}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
fetch() { # package, file in it, name here
  (cd "$work" && rm -rf package ./*.tgz && npm pack "$1" --silent --loglevel=error >/dev/null && tar xzf ./*.tgz)
  cp -r "$work/package/$2" "$dest/$3"
}
mkdir -p "$dest"
rm -rf "$dest/har"
fetch vnu-jar@26.9.27 build/dist/vnu.jar vnu.jar
fetch axe-core@4.14.1 axe.min.js axe.min.js
fetch har-schema@2.0.0 lib har
