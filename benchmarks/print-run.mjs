// Times the cards of 300 plantings on a running Rama: written, and handed out. Makes an estate of its own.
//   node benchmarks/print-run.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { call, importFile, inNewEstate, lines, timed } from "./client.mjs";

const plantings = Array.from({ length: 300 }, (_, i) => i);
const varieties = ["Elstar", "Jonagold", "Topaz", "Idared", "Pinova", "Fuji"];

await inNewEstate("Print run");
await importFile(
  "save",
  "plantings.csv",
  lines(
    "Site,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)",
    plantings.map(
      (i) =>
        `Site ${i % 5},P${i},Piece ${i},${varieties[i % 6]},M.9,${2005 + (i % 14)},3.${i % 5},1,${1 + (i % 40) / 10}`,
    ),
  ),
);
await importFile(
  "save",
  "plans.csv",
  lines(
    "Planting,Target yield (t/ha),Target fruit size (g),Bud factor",
    plantings.map((i) => `P${i},${40 + (i % 30)},180,1.7`),
  ),
  "plans",
);
await importFile(
  "save",
  "counts.csv",
  lines(
    "Planting,Row,Tree,Girth (cm),Limbs,Floral buds",
    plantings.flatMap((i) =>
      Array.from(
        { length: 10 },
        (_, k) => `P${i},${k + 1},${10 + 7 * k},${13 + (k % 5)},22,${180 + ((i * 37 + k * 13) % 200)}`,
      ),
    ),
  ),
  "counts",
);
let season;
do season = await (await call("GET", "/season")).json();
while (season.pending);
const cards = season.plantings.filter((p) => p.hasCard).map((p) => p.id);
for (const [way, languages] of [
  ["print", ["en"]],
  ["hand-out", ["en"]],
  ["hand-out", ["en", "es"]],
]) {
  const body = JSON.stringify({ plantings: cards, languages });
  const said = await timed(`${way}, ${cards.length} plantings, ${languages.join(" and ")}`, async () =>
    (await call("POST", `/cards/${way}`, body)).text(),
  );
  console.log(`  ${(said.length / 1_000_000).toFixed(1)} MB, ${said.split('"headline"').length - 1} cards`);
}
