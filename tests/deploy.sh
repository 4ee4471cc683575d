# Walks through docs/deploy.md: runs its commands and looks at what they did. tests/run.sh reads this. Everything goes
# below a folder of its own, and a small stand-in for systemctl starts what the units say, as the user they say.

DEPLOY_HOST=rama.example.org

deploy_walk() (
  set -u
  work=$(mktemp -d)
  chmod 755 "$work"
  export RAMA_ROOT=$work/machine RAMA_USER=nobody
  trap 'undo_walk' EXIT
  PATH=$(stand_in_systemctl "$work"):$PATH
  cluster_down deploy
  rm -rf "$STATE/deploy"
  cluster_up deploy 6070
  export PGHOST=127.0.0.1 PGPORT=$DATABASE_PORT PGUSER=rama PGPASSWORD=$DATABASE_SECRET

  echo "--- install"
  walk 1 || wrong "block 1 of docs/deploy.md failed"
  [ "$(stat -c %a "$RAMA_ROOT/etc/rama/owner.env")" = 600 ] || wrong "others can read who owns the database"
  [ "$(stat -c %a "$RAMA_ROOT/var/backups/rama")" = 700 ] || wrong "others can read the backups"
  ! grep -q rama_owner "$RAMA_ROOT/etc/rama/rama.env" || wrong "the copies know who owns the database"
  if command -v systemd-analyze >/dev/null; then
    systemd-analyze verify "$RAMA_ROOT"/etc/systemd/system/rama-backup.* || wrong "the units cannot be read"
  fi
  web_server "$work"
  [ "$(asked /health/ready)" = Healthy ] || wrong "nginx does not reach Rama"
  first_manager
  estate=$(asked /api/v1/season)
  [[ $estate == *'"Walked ground"'* ]] || wrong "the season is not there: $estate"

  echo "--- one copy killed, the other answers"
  kill -9 "$(cat "$work/rama@5081.pid")"
  for _ in $(seq 20); do [ "$(asked /api/v1/season)" = "$estate" ] || wrong "a copy that was killed was noticed"; done
  systemctl restart rama@5081

  echo "--- a copy killed amid an import, and the same file at the other, told in steps"
  {
    echo "Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)"
    for p in $(seq 50); do echo "W$p,Walked $p,Elstar,M.9,2015,3.5,1,1"; done
  } >"$work/plantings.csv"
  {
    echo "Planting,Row,Tree,Floral buds"
    for p in $(seq 50); do for tree in $(seq 200); do echo "W$p,1,$tree,$((150 + tree))"; done; done
  } >"$work/counts.csv"
  import plantings >"$work/steps"
  grep -q '"saved":true' "$work/steps" || wrong "plantings were not imported: $(tail -n 3 "$work/steps")"
  # The one that is killed is the one that takes the file.
  systemctl stop rama@5082
  ready
  import counts | while read -r step; do
    [[ $step != *'"done":'* ]] || [ -f "$work/amid" ] || { touch "$work/amid"; kill -9 "$(cat "$work/rama@5081.pid")"; }
    echo "$step"
  done >"$work/steps"
  [ -f "$work/amid" ] || wrong "no step of the import was told: $(tail -n 3 "$work/steps")"
  ! grep -q '"report":{' "$work/steps" || wrong "the import had ended before the copy was killed"
  systemctl start rama@5082
  ready
  [ "$(psql -At -d rama -c 'select count(*) from counted_trees')" = 0 ] || wrong "half an import was kept"
  import counts | while read -r step; do echo "$EPOCHREALTIME $step"; done >"$work/steps"
  grep -q '"saved":true' "$work/steps" || wrong "the other copy did not import: $(tail -n 3 "$work/steps")"
  [ "$(psql -At -d rama -c 'select count(*) from counted_trees')" = 10000 ] || wrong "an import is not whole"
  # Held back on the way, all would come at once.
  awk '/"done":/ { if (!first) first = $1; n++ } /"saved":true/ { last = $1 }
    END { printf "%d steps in %.1f s\n", n, last - first; exit !(n > 5 && last - first > 0.2) }' "$work/steps" \
    || wrong "the steps of the import were not told as they came"
  systemctl restart rama@5081
  estate=$(asked /api/v1/season)

  echo "--- backup and drill"
  walk 2 || wrong "block 2 of docs/deploy.md failed"
  [ "$(find "$RAMA_ROOT/var/backups/rama" -name '*.backup' | wc -l)" = 1 ] || wrong "there is no backup"

  echo "--- upgrade, asked all the while"
  touch "$work/asking"
  while [ -f "$work/asking" ]; do
    answer=$(asked /api/v1/season)
    [ "$answer" = "$estate" ] || echo "${answer:0:200}" >>"$work/unanswered"
  done &
  was=$(readlink "$RAMA_ROOT/opt/rama/current")
  echo before >"$was/wwwroot/assets/before.js"
  touch -d '40 days ago' "$was/wwwroot/assets/long-before.js"
  walk 3 || wrong "block 3 of docs/deploy.md failed"
  rm "$work/asking"
  wait $!
  [ ! -e "$work/unanswered" ] \
    || wrong "not answered during the upgrade: $(sort "$work/unanswered" | uniq -c | head -n 5)"
  [ "$(readlink "$RAMA_ROOT/opt/rama/current")" != "$was" ] || wrong "the version before runs on"
  [ "$(asked /assets/before.js)" = before ] || wrong "a page open in a browser has lost its scripts"
  [ ! -e "$RAMA_ROOT/opt/rama/current/wwwroot/assets/long-before.js" ] || wrong "scripts are kept for good"

  echo "--- an upgrade whose migration fails"
  was=$(readlink "$RAMA_ROOT/opt/rama/current")
  last=$(psql -At -d rama <<'END' | head -n 1
delete from "__EFMigrationsHistory" where migration_id = (select max(migration_id) from "__EFMigrationsHistory")
  returning migration_id, product_version
END
  )
  if walk 3; then wrong "a migration that fails was not noticed"; fi
  [ "$(readlink "$RAMA_ROOT/opt/rama/current")" = "$was" ] || wrong "what could not be prepared is the current one"
  [ "$(asked /api/v1/season)" = "$estate" ] || wrong "the old version does not go on"
  psql -q -d rama -c "insert into \"__EFMigrationsHistory\" values ('${last%|*}', '${last#*|}')"

  echo "--- an upgrade that does not come up"
  cp -r published "$work/broken"
  echo '{"Kestrel": {"Endpoints": {"None": {"Url": "nowhere"}}}}' >"$work/broken/appsettings.json"
  if deploy/rama-server upgrade "$work/broken"; then wrong "a version that does not start was taken"; fi
  [ "$(asked /api/v1/season)" = "$estate" ] || wrong "the old version does not go on"

  echo "--- back to a backup"
  psql -q -d rama -c "update estates set name = 'Lost ground'"
  walk 4 || wrong "block 4 of docs/deploy.md failed"
  is_there || wrong "what was backed up is not there"
  head -c 3000 "$(find "$RAMA_ROOT/var/backups/rama" -name '*.backup' | head -n 1)" >"$work/half.backup"
  if deploy/rama-server restore "$work/half.backup"; then wrong "half a backup was taken"; fi
  is_there || wrong "half a backup changed something"
)

wrong() { echo "WRONG: $*" >&2; exit 1; }

undo_walk() {
  rm -f "$work/asking"
  for pid in "$work"/*.pid; do [ ! -f "$pid" ] || kill "$(cat "$pid")" 2>/dev/null || true; done
  cluster_down deploy
  rm -rf "$work"
}

# walk N: runs the Nth block of the page marked sh, below the folder of this test.
walk() {
  local commands
  commands=$(awk -v wanted="$1" '/^```sh$/ { n++; on = n == wanted; next } /^```/ { on = 0 } on' docs/deploy.md \
    | sed -e 's|^sudo ||' -e "s|/opt/rama/|$RAMA_ROOT/opt/rama/|g; s|/var/backups/|$RAMA_ROOT/var/backups/|g")
  [ -n "$commands" ] || wrong "docs/deploy.md has no block $1"
  bash -euo pipefail -c "$commands"
}

# Starts and stops what the units say, without a systemd.
stand_in_systemctl() {
  mkdir -p "$1/bin"
  cat >"$1/bin/systemctl" <<END
#!/usr/bin/env bash
set -euo pipefail
for last; do :; done
unit() { sed -n "s|^\$1=||p" "$RAMA_ROOT/etc/systemd/system/rama@.service" | sed "s|%i|\${last#rama@}|g"; }
running() { [ -f "$1/\$last.pid" ] && kill -0 "\$(cat "$1/\$last.pid")" 2>/dev/null; }
stop() {
  ! running || kill "\$(cat "$1/\$last.pid")"
  while running; do sleep 0.1; done
  rm -f "$1/\$last.pid"
}
start() {
  ! running || return 0
  set -a; source "\$(unit EnvironmentFile)"; set +a
  cd "\$(unit WorkingDirectory)"
  setsid setpriv --reuid "\$(unit User)" --clear-groups --no-new-privs --inh-caps=-all \$(unit ExecStart) \
    >>"$1/\$last.log" 2>&1 </dev/null &
  echo \$! >"$1/\$last.pid"
}
case "\$*" in
  *rama@*) case \$1 in stop) stop ;; restart) stop; start ;; start | enable) start ;; esac ;;
esac
END
  chmod +x "$1/bin/systemctl"
  echo "$1/bin"
}

# The site as it was installed, under a certificate of the test's own and on a port anyone may have.
web_server() {
  openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 2 -subj "/CN=$DEPLOY_HOST" \
    -keyout "$1/key.pem" -out "$1/certificate.pem" 2>/dev/null
  WEB_PORT=$(free_port 8443)
  {
    echo "daemon on; pid $1/nginx.pid; error_log $1/nginx.log; user root; events { } http { access_log off;"
    for t in client_body proxy fastcgi uwsgi scgi; do echo "${t}_temp_path $1/$t;"; done
    sed -e "s|listen 443 |listen 127.0.0.1:$WEB_PORT |; s|listen 80;|listen 127.0.0.1:$(free_port 8080);|" \
      -e "s|/etc/rama/|$1/|" "$RAMA_ROOT/etc/nginx/sites-available/rama"
    echo '}'
  } >"$1/nginx.conf"
  /usr/sbin/nginx -c "$1/nginx.conf"
}

asked() { # asked PATH [CURL_OPTION...]: what a browser is answered, through the web server
  sent "$1" -H 'Content-Type: application/json' "${@:2}"
}

sent() { # sent PATH [CURL_OPTION...]: the same, with a form
  curl -ksSN --max-time 60 --resolve "$DEPLOY_HOST:$WEB_PORT:127.0.0.1" -b "$work/cookies" -c "$work/cookies" \
    "${@:2}" "https://$DEPLOY_HOST:$WEB_PORT$1"
}

ready() { # waits until a copy that was started answers
  for _ in $(seq 150); do [ "$(asked /health/ready)" != Healthy ] || return 0; sleep 0.2; done
  wrong "no copy answers"
}

import() { # import TABLE: takes its file over as Rama guesses it, and prints the steps
  local guess
  guess=$(sent /api/v1/imports/read -F "file=@$work/$1.csv" -F "table=$1" \
    | node -p 'JSON.stringify(JSON.parse(require("fs").readFileSync(0, "utf8")).guess)')
  sent /api/v1/imports/save -F "file=@$work/$1.csv" --form-string "mapping=$guess" || true
}

is_there() { [[ $(asked /api/v1/season) == *'"estate":"Walked ground"'* ]]; }

first_manager() {
  local code
  code=$(sed -n 's/^SetupCode=//p' "$RAMA_ROOT/etc/rama/rama.env")
  asked /api/v1/first-manager -o /dev/null -f -d @- <<END
{"code": "$code", "name": "Walker", "email": "walker@$DEPLOY_HOST", "password": "three long rows",
 "estate": "Walked ground", "season": 2027}
END
}
