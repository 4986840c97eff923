#!/usr/bin/env bash
# Ten thousand hostile requests to every route, the same for the same seed; a shorter run is part of bin/test. Needs the test database:
# run it with DB_PORT as bin/test starts it.   bench/fuzz.sh [times] [seed]
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
FUZZ=${1:-10000} FUZZ_SEED=${2:-1} vendor/bin/phpunit tests/Feature/FuzzTest.php
