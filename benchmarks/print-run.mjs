// Times the cards of 300 plantings on a running Rama: written, and handed out. Makes an estate of its own.
//   node benchmarks/print-run.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { call, countedPlantings, inNewEstate, timed } from "./client.mjs";

await inNewEstate("Print run");
await countedPlantings(300);
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
