#!/usr/bin/env bash
# fetch-jsonpath-suite.sh [DEST]: brings the compliance test suite for RFC 9535, cts.json (687 tests: 442
# queries to be answered, 245 to be refused), and the examples of the RFC itself, out of an npm package
# that carries them. Needs npm and tar. The suite is not ours and is never committed.
set -euo pipefail
dest=${1:-$(dirname "${BASH_SOURCE[0]}")/fetched/jsonpath}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
(cd "$work" && npm pack jsonpath-rfc9535@1.3.0 --silent --loglevel=error >/dev/null && tar xzf ./*.tgz)
tests="$work/package/src/__tests__"
suite="$tests/jsonpath-compliance-test-suite"
if [ ! -f "$suite/cts.json" ]; then
  echo "fetch-jsonpath-suite: the package holds no cts.json" >&2
  exit 1
fi
mkdir -p "$dest/rfc-examples"
cp "$suite/cts.json" "$suite/LICENSE" "$dest/"
cp "$tests"/fixtures/examples/*.json "$dest/rfc-examples/"
