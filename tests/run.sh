# The tests of Rama; `./rama test` and `./rama pictures` read this. What is short of a machine's parts, and how a
# database server is started, stands in rama itself.

RESULTS=$ROOT/artifacts/results

# shellcheck source=tests/deploy.sh
source tests/deploy.sh

run_tests() {
  local parts=("$@") part
  if [ "${1:-}" = smoke ]; then
    smoke_tests "${@:2}"
    return
  fi
  if [ "${1:-}" = fuzz ]; then
    fuzz_tests "${@:2}"
    return
  fi
  if [ "${1:-}" = faults ]; then
    fault_tests "${@:2}"
    return
  fi
  for part in "${parts[@]}"; do
    case $part in
      front | core | web | browser | backup | deploy) ;;
      *) fail "unknown part '$part'. These are: front, core, web, browser, backup, deploy, smoke, fuzz, faults" ;;
    esac
  done
  [ ${#parts[@]} -gt 0 ] || parts=(front core web browser backup deploy)
  wanted() { [[ " ${parts[*]} " == *" $1 "* ]]; }

  # Work in the background does not hear Ctrl-C.
  trap 'trap - INT TERM; kill 0' INT TERM
  need_node
  if wanted core || wanted web || wanted browser || wanted backup; then need_sdk; fi
  if wanted web || wanted browser || wanted backup || wanted deploy; then need_postgres; fi
  if wanted browser; then need_chromium; fi
  if wanted browser || wanted deploy; then need_nginx; fi
  if wanted deploy; then need_web_client; fi
  start_over
  front_end_packages

  # Both halves wait a good deal for files and for themselves, so they go side by side.
  if wanted front; then side_by_side front_half; fi
  if wanted web || wanted browser; then check "Front end builds" web.log npm --prefix web run build; fi
  if [ ${#parts[@]} = 6 ]; then
    check "Code is formatted" format.log formatted
    check "Solution builds, API types are up to date" build.log same_api_types
  elif wanted core || wanted web || wanted browser || wanted backup; then
    check "Solution builds" build.log dotnet build Rama.slnx -c Release --nologo
  fi
  wait

  if wanted web; then fault_server; fi
  if wanted web || wanted browser || wanted backup; then test_server; fi
  if wanted core; then
    dotnet_tests Rama.Core.Tests
    dotnet_tests Rama.Solver.Tests
  fi
  if wanted web; then dotnet_tests Rama.Web.Tests; fi
  if wanted browser; then dotnet_tests Rama.Browser.Tests; fi
  if wanted backup; then check "Backup and restore" backup.log backup_and_restore; fi
  if wanted deploy; then
    # It installs as root does, and so only root can try it.
    if [ "$(id -u)" = 0 ]; then
      check "A server, as docs/deploy.md walks through it" deploy.log deploy_walk
    else
      say "Only root can try docs/deploy.md; left out."
    fi
  fi
  tell_results
}

# Opens every page once: alone while a screen is built, or with --all for every role, language and unit system.
smoke_tests() {
  local explicit=off
  if [ "${1:-}" = --all ]; then explicit=on; elif [ $# -gt 0 ]; then fail "usage: ./rama test smoke [--all]"; fi
  need_sdk
  need_node
  need_postgres
  need_chromium
  start_over
  front_end_packages
  check "Front end builds" web.log npm --prefix web run build
  check "Tests build" build.log dotnet build tests/Rama.Browser.Tests -c Release --nologo
  test_server
  dotnet_tests Rama.Browser.Tests -class "Rama.Browser.Tests.Smoke*" -explicit "$explicit"
  tell_results
}

build_web_tests() {
  need_sdk
  need_node
  need_postgres
  start_over
  front_end_packages
  check "Tests build" build.log dotnet build tests/Rama.Web.Tests -c Release --nologo
}

# Sends the API more of what nobody should send than the ordinary run does: ./rama test fuzz --requests 50000 --seed 3
fuzz_tests() {
  local usage="usage: ./rama test fuzz [--requests N] [--seed N]"
  export RAMA_FUZZ_REQUESTS=50000 RAMA_FUZZ_SECONDS=5
  while [ $# -gt 0 ]; do
    [ $# -ge 2 ] || fail "$usage"
    case $1 in
      --requests) export RAMA_FUZZ_REQUESTS=$2 ;;
      --seed) export RAMA_FUZZ_SEED=$2 ;;
      *) fail "$usage" ;;
    esac
    shift 2
  done
  build_web_tests
  test_server
  dotnet_tests Rama.Web.Tests -class Rama.Web.Tests.Fuzz.FuzzTests
  tell_results
}

# Kills the application and its database in live traffic more often than the ordinary run does.
fault_tests() {
  local usage="usage: ./rama test faults [--kills N] [--seed N]"
  export RAMA_FAULT_KILLS=50
  while [ $# -gt 0 ]; do
    [ $# -ge 2 ] || fail "$usage"
    case $1 in
      --kills) export RAMA_FAULT_KILLS=$2 ;;
      --seed) export RAMA_FAULT_SEED=$2 ;;
      *) fail "$usage" ;;
    esac
    shift 2
  done
  build_web_tests
  fault_server
  dotnet_tests Rama.Web.Tests -class Rama.Web.Tests.Faults.FaultRun -showLiveOutput
  grep ' kills; ' artifacts/Rama.Web.Tests.log || true
  tell_results
}

# ---------------------------------------------------------------- results

start_over() {
  rm -rf "$RESULTS"
  mkdir -p "$RESULTS"
}

side_by_side() { "$@" & }

tally() { # tally NAME PASSED FAILED: each in a file of its own, since many run at once
  printf '%s\t%s\t%s\n' "$1" "$2" "$3" >"$RESULTS/${1//[^A-Za-z]/-}"
}

tell_results() {
  local passed=0 failed=0 name p f
  say
  while IFS=$'\t' read -r name p f; do
    printf '  %-44s %4d passed, %d failed\n' "$name" "$p" "$f"
    passed=$((passed + p)) failed=$((failed + f))
  done < <(sort "$RESULTS"/*)
  say "$passed passed, $failed failed"
  [ "$failed" = 0 ]
}

check() { # check NAME LOG COMMAND...: a command that passes or fails as a whole
  local name=$1
  shift
  say "$name ..."
  if quietly "$@"; then tally "$name" 1 0; else tally "$name" 0 1; fi
}

# ---------------------------------------------------------------- the parts

front_half() {
  check "Front-end type check" tsc.log npm --prefix web run check
  check "Front-end lint" lint.log npm --prefix web run lint
  front_end_tests
}

front_end_tests() {
  say "Front-end unit tests ..."
  rm -f artifacts/vitest.json
  npm --prefix web test -- --reporter=json --outputFile="$ROOT/artifacts/vitest.json" >artifacts/vitest.log 2>&1 \
    || tail -n 40 artifacts/vitest.log
  local counts
  # A file that did not even load has no failed test of its own.
  counts=$(node -p '
    const r = require("./artifacts/vitest.json");
    `${r.numPassedTests} ${r.numFailedTests || (r.success ? 0 : 1)}`' 2>/dev/null) || counts="0 1"
  # shellcheck disable=SC2086
  tally "Front-end unit tests" $counts
}

formatted() {
  dotnet tool restore
  dotnet csharpier check . || { echo "dotnet csharpier format . puts it right"; return 1; }
  npm --prefix web run format:check || { echo "npm --prefix web run format puts it right"; return 1; }
}

same_api_types() {
  # The document is written only when the server compiles, so it is made afresh here.
  rm -f artifacts/openapi/rama.json src/Rama.Web/obj/*OpenApiFiles.cache
  dotnet build Rama.slnx -c Release --nologo || return 1
  (cd web && npx openapi-typescript ../artifacts/openapi/rama.json -o ../artifacts/schema.d.ts)
  diff web/src/api/schema.d.ts artifacts/schema.d.ts && return
  echo "web/src/api/schema.d.ts is out of date: npm --prefix web run types"
  return 1
}

dotnet_tests() { # dotnet_tests PROJECT [OPTION...]
  local log=artifacts/$1.log counts total failed
  say "$1 ..."
  dotnet "tests/$1/bin/Release/net10.0/$1.dll" -noColor "${@:2}" >"$log" 2>&1 || true
  grep -E '\[FAIL\]' -A 12 "$log" || true
  counts=$(grep -E "^ +$1 +Total:" "$log" | tail -n 1)
  if [ -z "$counts" ]; then tail -n 30 "$log"; tally "$1" 0 1; return; fi
  total=$(sed -E 's/.*Total: ([0-9]+).*/\1/' <<<"$counts")
  # Where no test ran, nothing else is told.
  if [ "$total" = 0 ]; then tally "$1" 0 1; return; fi
  failed=$(sed -E 's/.*Errors: ([0-9]+), Failed: ([0-9]+).*/\1 + \2/' <<<"$counts")
  failed=$((failed))
  tally "$1" $((total - failed)) "$failed"
}

# What a backup held is there again after the demo was changed; a broken file changes nothing.
backup_and_restore() (
  set -e
  DATABASE=rama_books
  local program=$ROOT/src/Rama.Web/bin/Release/net10.0/Rama.Web.dll file=$ROOT/artifacts/test.backup
  books() { pg pg_dump --data-only --inserts --exclude-table-data=data_protection_keys rama_books | grep -v '^\\' | sort | sha256sum; }
  ConnectionStrings__Owner="$DATABASE_SERVER;Database=$DATABASE" LoginPassword=$(secret login-secret) DemoPassword=$(secret demo-password) \
    dotnet "$program" prepare "$(dirname "$program")/demo/larkfold"
  local before after
  before=$(books)
  pg pg_dump --format=custom --file="$file" rama_books
  pg psql -q -d rama_books -c "update plantings set name = 'changed'; delete from counted_trees"
  [ "$(books)" != "$before" ] || { echo "the change was not seen"; exit 1; }
  head -c 2000 "$file" >"$file.broken"
  after=$(books)
  if (restore_into rama_books "$file.broken" "$program"); then echo "a broken file was taken"; exit 1; fi
  [ "$(books)" = "$after" ] || { echo "a broken file changed something"; exit 1; }
  restore_into rama_books "$file" "$program"
  [ "$(books)" = "$before" ] || { echo "what was restored differs"; exit 1; }
)

# A server for the tests alone, made anew each time; what it loses in a power cut nobody misses.
test_server() {
  trap 'cluster_down test; cluster_down faults' EXIT
  cluster_down test
  rm -rf "$STATE/test"
  cluster_up test 5670 -c max_connections=300 -c fsync=off -c synchronous_commit=off -c full_page_writes=off
  export RAMA_TEST_DATABASE="$DATABASE_SERVER"
}

# A server that keeps what it has acknowledged, to be killed: the fault run starts it again by itself, hence its options
# are kept with it.
fault_server() {
  trap 'cluster_down faults' EXIT
  cluster_down faults
  rm -rf "$STATE/faults"
  cluster_up faults 5870
  printf "port = %s\nlisten_addresses = '127.0.0.1'\nunix_socket_directories = ''\n" "$DATABASE_PORT" \
    >>"$STATE/faults/data/postgresql.conf"
  export RAMA_FAULT_DATABASE="$DATABASE_SERVER" RAMA_FAULT_FOLDER="$STATE/faults/data"
  RAMA_FAULT_PROGRAMS=$(pg_bin)
  export RAMA_FAULT_PROGRAMS
}

take_pictures() {
  need_sdk
  need_node
  need_postgres
  need_chromium
  front_end_packages
  front_end
  say "Building ..."
  quietly build.log dotnet build tests/Rama.Browser.Tests -c Release --nologo || fail "the tests do not build; the whole log is artifacts/build.log"
  test_server
  quietly pictures.log dotnet tests/Rama.Browser.Tests/bin/Release/net10.0/Rama.Browser.Tests.dll -noColor \
    -explicit only -class Rama.Browser.Tests.Screens \
    || fail "the pictures could not be taken; the whole log is artifacts/pictures.log"
  say "The pictures are in docs/screenshots."
}
