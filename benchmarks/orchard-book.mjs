// Times the orchard book of 1 000 plantings on a running Rama: import, season page, export. Makes an estate of its own.
//   node benchmarks/orchard-book.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { randomUUID } from "node:crypto";
import { call, importFile, inNewEstate, lines, targets, timed } from "./client.mjs";

const plantings = Array.from({ length: 1000 }, (_, i) => i);
const varieties = ["Elstar", "Jonagold", "Topaz", "Idared", "Pinova", "Fuji"];

await inNewEstate("Benchmark");

const book = lines(
  "Site,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha),Missing trees (%)",
  plantings.map(
    (i) =>
      `Site ${i % 7},P${i},Piece ${i},${varieties[i % 6]},M.9,${2005 + (i % 20)},3.${i % 5},1,${1 + (i % 40) / 10},${i % 6}`,
  ),
);
await timed("check 1 000 plantings", () => importFile("check", "plantings.csv", book));
await timed("import 1 000 plantings", () => importFile("save", "plantings.csv", book));
await timed("import them again, nothing changed", () => importFile("save", "plantings.csv", book));
await timed("import 1 000 targets", () => importFile("save", "plans.csv", targets(plantings), "plans"));
await timed("import 10 000 counted trees", () =>
  importFile(
    "save",
    "counts.csv",
    lines(
      "Planting,Row,Tree,Girth (cm),Limbs,Floral buds",
      plantings.flatMap((i) =>
        Array.from({ length: 10 }, (_, k) => `P${i},${k + 1},${10 + 7 * k},15.2,22,${180 + ((i * 37 + k * 13) % 200)}`),
      ),
    ),
    "counts",
  ),
);
await timed("import 50 000 trunks", () =>
  importFile(
    "save",
    "trunks.csv",
    lines(
      "Planting,Row,Tree,Girth (cm)",
      Array.from(
        { length: 50000 },
        (_, i) => `P${i % 100},${1 + Math.floor(i / 5000)},${1 + (Math.floor(i / 100) % 50)},${12 + (i % 70) / 10}`,
      ),
    ),
    "trunks",
  ),
);

// Half a winter worked: rows reported on every third planting, and finished trees checked on some.
const { plantings: listed } = await (await call("GET", "/season")).json();
const entry = (planting, sequence, kind, place, body) => ({
  id: randomUUID(),
  sequence,
  planting,
  at: "2027-01-20T15:00:00Z",
  kind,
  ...place,
  body: { pass: "winter", day: "2027-01-20", ...body },
});
const told = listed.flatMap(({ id }, i) => [
  ...(i % 3 === 0 ? [1, 2, 3] : []).map((n) => entry(id, n, "work", {}, { people: 6, hours: 8, trees: 200 + 10 * n })),
  ...Array.from({ length: i % 10 === 0 ? 20 : 0 }, (_, n) =>
    entry(id, 10 + n, "check", { row: 1, tree: n + 1 }, { left: 150 + n }),
  ),
]);
await timed(`report ${told.length} times from the row`, async () => {
  for (let i = 0; i < told.length; i += 200)
    await call(
      "POST",
      "/field",
      JSON.stringify({ device: randomUUID(), sentAt: "2027-01-20T16:00:00Z", entries: told.slice(i, i + 200) }),
    );
});

// While it is worked out the page answers with what is known; asked as often as it can be.
const from = performance.now();
const answers = [];
for (let pending = true; pending;) {
  const start = performance.now();
  const page = await (await call("GET", "/season")).json();
  answers.push(performance.now() - start);
  pending = page.pending !== null;
}
const seconds = (performance.now() - from) / 1000;
console.log(
  `season page after that: first answer ${answers[0].toFixed(0)} ms, longest ${Math.max(...answers).toFixed(0)} ms ` +
    `of ${answers.length}, all worked out after ${seconds.toFixed(1)} s`,
);
const times = [];
let bytes = 0;
for (let i = 0; i < 200; i++) {
  const start = performance.now();
  bytes = (await (await call("GET", "/season")).arrayBuffer()).byteLength;
  times.push(performance.now() - start);
}
times.sort((a, b) => a - b);
console.log(
  `season page, 200 times: median ${times[100].toFixed(0)} ms, p95 ${times[190].toFixed(0)} ms, ${(bytes / 1024).toFixed(0)} kB before compression`,
);
await timed("export the estate", async () => (await call("GET", "/exports/estate")).arrayBuffer());
