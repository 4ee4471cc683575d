// Load on a running Rama with the demo: season page, plan, entries from the row, from 1, 8, 32 and 64 clients at once,
// each asking again as soon as it is answered. Needs wrk. The entries go to an estate of its own.
//   node benchmarks/load.mjs EMAIL PASSWORD [http://127.0.0.1:5080] [SECONDS each, 10] [MINUTES of all three, 0]
// With minutes, 8 clients then ask for each of the three together, and the server's memory is told twice a minute.
import { execFile, execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { call, cookieOf, importFile, inDemo, inNewEstate, lines, planOf } from "./client.mjs";

const base = process.argv[4] ?? "http://127.0.0.1:5080";
const seconds = Number(process.argv[5] ?? 10);
const minutes = Number(process.argv[6] ?? 0);
const folder = mkdtempSync(join(tmpdir(), "load-"));

const found = (said, pattern) => said.match(pattern)?.[1] ?? "–";

const wrongOf = (said) =>
  [found(said, /Non-2xx or 3xx responses: (\d+)/), found(said, /Socket errors: (.*)/)]
    .filter((w) => w !== "–")
    .join(", ") || 0;

/** What wrk is called with to ask for something again and again. */
function asking(name, path, script) {
  const file = join(folder, `${name}.lua`);
  const headers = [`wrk.headers["Cookie"] = "${cookieOf()}"`, 'wrk.headers["Content-Type"] = "application/json"'];
  writeFileSync(file, [...headers, script].join("\n"));
  const of = (clients, duration) => [
    `-t${Math.min(2, clients)}`,
    `-c${clients}`,
    `-d${duration}s`,
    "--timeout=30s",
    "--latency",
    `-s${file}`,
    `${base}/api/v1${path}`,
  ];
  return { name, of };
}

function load({ name, of }) {
  for (const clients of [1, 8, 32, 64]) {
    const said = execFileSync("wrk", of(clients, seconds), { encoding: "utf8" });
    console.log(
      `${name.padEnd(7)} ${String(clients).padStart(2)} clients: ` +
        `${found(said, /Requests\/sec:\s+([\d.]+)/)} a second, ` +
        `p50 ${found(said, /^\s+50%\s+(\S+)/m)}, p99 ${found(said, /^\s+99%\s+(\S+)/m)}, wrong: ${wrongOf(said)}`,
    );
  }
}

/** Largest memory of a running server, MB. */
function memory() {
  const all = execFileSync("ps", ["-eo", "rss=,args="], { encoding: "utf8" }).split("\n");
  return Math.max(...all.filter((l) => l.includes("Rama.Web.dll")).map((l) => parseInt(l, 10))) / 1000;
}

async function hold(loads) {
  console.log(`before: ${memory().toFixed(0)} MB`);
  const watch = setInterval(() => console.log(`${memory().toFixed(0)} MB`), 30_000);
  await Promise.all(
    loads.map(
      ({ name, of }) =>
        new Promise((done) =>
          execFile("wrk", of(8, minutes * 60), (_, said) => {
            console.log(`${name}: ${found(said, /(\d+) requests in/)} answers, wrong: ${wrongOf(said)}`);
            done();
          }),
        ),
    ),
  );
  clearInterval(watch);
}

await inDemo();
const season = asking("season", "/season", "");
// Each another target, as while somebody drags it.
const body = JSON.stringify((await planOf("H4")).plan(12345)).split("12345");
const plan = asking(
  "plan",
  "/calculations/plan",
  `local n = 0
function request()
  n = n + 1
  return wrk.format("POST", nil, nil, [==[${body[0]}]==] .. (60 + n % 90) .. [==[${body[1]}]==])
end`,
);
load(season);
load(plan);

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
const field = asking(
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
load(field);
if (minutes > 0) await hold([season, plan, field]);
