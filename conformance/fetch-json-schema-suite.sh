#!/usr/bin/env bash
# fetch-json-schema-suite.sh [DEST]: brings the JSON Schema test suite in its published layout (DEST/tests,
# DEST/remotes), out of a Debian package that carries it. Required tests: draft4 578, draft6 777, draft7 861,
# draft2019-09 1176, draft2020-12 1176. Needs apt-get and dpkg-deb. The suite is not ours and is never
# committed.
set -euo pipefail
dest=${1:-$(dirname "${BASH_SOURCE[0]}")/fetched/json-schema}
package=libtest-json-schema-acceptance-perl
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
chmod 755 "$work"
download() {
  (cd "$work" && apt-get -qq -o APT::Sandbox::User=root download "$package" >/dev/null)
}
if ! download 2>/dev/null; then
  apt-get -qq update >/dev/null
  download
fi
dpkg-deb -x "$work"/"$package"*.deb "$work/unpacked"
suite="$work/unpacked/usr/share/perl5/auto/share/dist/Test-JSON-Schema-Acceptance"
if [ ! -d "$suite/tests" ]; then
  echo "fetch-json-schema-suite: the package holds no folder of tests" >&2
  exit 1
fi
mkdir -p "$dest"
rm -rf "$dest/tests" "$dest/remotes"
cp -r "$suite/tests" "$suite/remotes" "$dest/"
