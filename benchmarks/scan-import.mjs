// Times taking in a scan of 1 000 000 trees on a running Rama, against psql \copy of the same file into a plain table.
// Makes an estate of its own with 100 plantings of 100 rows of 100 trees.
//   node benchmarks/scan-import.mjs EMAIL PASSWORD POSTGRES_URI [http://127.0.0.1:5080]
import { execFileSync } from "node:child_process";
import { mkdtempSync, openAsBlob, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const [email, password, uri, base = "http://127.0.0.1:5080"] = process.argv.slice(2);
const json = { "content-type": "application/json" };
let cookie = "";

async function call(method, path, body, headers = json) {
  const answer = await fetch(`${base}/api/v1${path}`, {
    method,
    body,
    headers: { ...headers, cookie },
    ...(body instanceof Blob ? { duplex: "half" } : {}),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  const set = answer.headers.getSetCookie()[0];
  if (set) cookie = set.split(";")[0];
  return answer;
}

async function importTable(name, text, table) {
  const form = (more) => {
    const data = new FormData();
    data.append("file", new Blob([text]), name);
    for (const [key, value] of Object.entries(more)) data.append(key, value);
    return data;
  };
  const { guess } = await (await call("POST", "/imports/read", form({ table }), {})).json();
  const answer = await (await call("POST", "/imports/save", form({ mapping: JSON.stringify(guess) }), {})).text();
  const { report, failure } = JSON.parse(answer.trim().split("\n").at(-1).slice("data: ".length));
  if (failure || report.problemCount > 0) throw new Error(failure ?? JSON.stringify(report.problems.slice(0, 3)));
}

const folder = mkdtempSync(join(tmpdir(), "scan-"));
const file = join(folder, "scan.csv");
try {
  await call("POST", "/session", JSON.stringify({ email, password }));
  const made = await (
    await call("POST", "/estates", JSON.stringify({ estate: `Scan Bench ${Date.now()}`, season: 2027 }))
  ).json();
  await call("PUT", "/session/estate", JSON.stringify({ estate: made.id }));
  const plantings = Array.from({ length: 100 }, (_, i) => `S${i + 1}`);
  await importTable(
    "plantings.csv",
    [
      "Block,Planting,Name,Variety,Rootstock,System,Year planted,Row spacing (m),Tree spacing (m),Area (ha)",
      ...plantings.map((p) => `${p},${p},Scan ${p},Elstar,M.9,tall-spindle,2018,3.2,0.9,2.9`),
    ].join("\n"),
    "plantings",
  );
  await importTable(
    "rows.csv",
    [
      "Planting,Row,Trees",
      ...plantings.flatMap((p) => Array.from({ length: 100 }, (_, r) => `${p},${r + 1},100`)),
    ].join("\n"),
    "rows",
  );

  let seed = 1;
  const random = () => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
  const lines = ["planting,row,tree,trunk_mm,limbs,buds"];
  for (const p of plantings)
    for (let r = 1; r <= 100; r++)
      for (let t = 1; t <= 100; t++)
        lines.push(
          `${p},${r},${t},${(42 + random() * 18).toFixed(1)},${18 + Math.floor(random() * 10)},${Math.floor(120 + random() * 180)}`,
        );
  writeFileSync(file, lines.join("\n") + "\n");

  const psql = (...commands) =>
    execFileSync("psql", [uri, "-qX", ...commands.flatMap((c) => ["-c", c])], { stdio: "inherit" });
  const table = "scan_bench";
  for (let run = 1; run <= 5; run++) {
    psql(
      `drop table if exists ${table}`,
      `create table ${table} (planting text, "row" int, tree int, trunk_mm real, limbs int, buds int)`,
    );
    let start = performance.now();
    psql(`\\copy ${table} from '${file}' with (format csv, header)`);
    const copied = (performance.now() - start) / 1000;
    start = performance.now();
    const answer = await (
      await call("POST", "/scans/save?name=scan.csv", await openAsBlob(file), {
        "content-type": "application/octet-stream",
      })
    ).text();
    const taken = (performance.now() - start) / 1000;
    const { report, failure } = JSON.parse(answer.trim().split("\n").at(-1).slice("data: ".length));
    if (failure || report.matched !== 1_000_000 || !report.saved)
      throw new Error(failure ?? JSON.stringify(report).slice(0, 500));
    console.log(
      `run ${run}: psql \\copy ${copied.toFixed(2)} s   Rama ${taken.toFixed(2)} s   ratio ${(taken / copied).toFixed(2)}`,
    );
  }
  psql(`drop table ${table}`);
} finally {
  rmSync(folder, { recursive: true });
}
