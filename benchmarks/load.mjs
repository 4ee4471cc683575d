// Load on a running Rama with the demo: season page, plan, entries from the row, from 1, 8, 32 and 64 clients at once,
// each asking again as soon as it is answered. Needs wrk. The entries go to an estate of its own.
//   node benchmarks/load.mjs EMAIL PASSWORD [http://127.0.0.1:5080] [SECONDS each, 10]
import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { call, cookieOf, importFile, inDemo, inNewEstate, lines, planOf } from "./client.mjs";

const base = process.argv[4] ?? "http://127.0.0.1:5080";
const seconds = Number(process.argv[5] ?? 10);
const folder = mkdtempSync(join(tmpdir(), "load-"));

function load(name, path, script) {
  const file = join(folder, `${name}.lua`);
  const headers = [`wrk.headers["Cookie"] = "${cookieOf()}"`, 'wrk.headers["Content-Type"] = "application/json"'];
  writeFileSync(file, [...headers, script].join("\n"));
  for (const clients of [1, 8, 32, 64]) {
    const threads = Math.min(2, clients);
    const said = execFileSync(
      "wrk",
      [
        `-t${threads}`,
        `-c${clients}`,
        `-d${seconds}s`,
        "--timeout=30s",
        "--latency",
        `-s${file}`,
        `${base}/api/v1${path}`,
      ],
      { encoding: "utf8" },
    );
    const found = (pattern) => said.match(pattern)?.[1] ?? "–";
    const wrong = [found(/Non-2xx or 3xx responses: (\d+)/), found(/Socket errors: (.*)/)].filter((w) => w !== "–");
    console.log(
      `${name.padEnd(7)} ${String(clients).padStart(2)} clients: ${found(/Requests\/sec:\s+([\d.]+)/)} a second, ` +
        `p50 ${found(/^\s+50%\s+(\S+)/m)}, p99 ${found(/^\s+99%\s+(\S+)/m)}, wrong: ${wrong.join(", ") || 0}`,
    );
  }
}

await inDemo();
load("season", "/season", "");
// Each another target, as while somebody drags it.
const body = JSON.stringify((await planOf("H4")).plan(12345)).split("12345");
load(
  "plan",
  "/calculations/plan",
  `local n = 0
function request()
  n = n + 1
  return wrk.format("POST", nil, nil, [==[${body[0]}]==] .. (60 + n % 90) .. [==[${body[1]}]==])
end`,
);

await inNewEstate("Load");
await importFile(
  "save",
  "plantings.csv",
  lines("Site,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)", [
    "Site,L1,Load,Elstar,M.9,2015,3.5,1,2",
  ]),
);
const mine = (await (await call("GET", "/season")).json()).plantings[0].id;
const entry = JSON.stringify({
  id: "%s",
  sequence: 12345,
  planting: mine,
  at: "2027-01-20T15:00:00Z",
  kind: "work",
  body: { pass: "winter", day: "2027-01-20", people: 6, hours: 8, trees: 200 },
}).replace("12345", "%d");
const batch = `{"device":"%s","sentAt":"2027-01-20T16:00:00Z","entries":[${entry}]}`;
load(
  "field",
  "/field",
  `local device
local n = 0
local function hex(k) local s = "" for _ = 1, k do s = s .. string.format("%x", math.random(0, 15)) end return s end
local function id() return hex(8) .. "-" .. hex(4) .. "-4" .. hex(3) .. "-a" .. hex(3) .. "-" .. hex(12) end
function init() math.randomseed(os.time() + tonumber(tostring({}):match("0x(%x+)"), 16) % 1000000) device = id() end
function request()
  n = n + 1
  return wrk.format("POST", nil, nil, string.format('${batch}', device, id(), n))
end`,
);
