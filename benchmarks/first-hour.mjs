// Times an orchard of 300 blocks from its own spreadsheets to its cards, on a running Rama: the list of blocks in feet
// and acres, yields with a column a year, targets from them, eight counted trees each, every card. Makes an estate of
// its own.
//   node benchmarks/first-hour.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { call, importFile, inNewEstate, lines, timed } from "./client.mjs";

const blocks = Array.from({ length: 300 }, (_, i) => i);
const varieties = ["Elstar", "Jonagold", "Topaz", "Idared", "Pinova", "Fuji"];
const json = async (method, path, body) => (await call(method, path, body && JSON.stringify(body))).json();
const start = performance.now();
await inNewEstate("First hour");

await timed("list of 300 blocks, feet and acres", () =>
  importFile(
    "save",
    "blocks.csv",
    lines(
      "Ranch,Blk #,Variety,Rootstock,Training,Yr Pltd,Row Spc (ft),Tree Spc (ft),Acres,# Trees",
      blocks.map((i) => {
        const acres = (2 + (i % 40) / 10).toFixed(1);
        const trees = Math.round((acres * 43560) / 36);
        const planted = 2005 + (i % 14);
        return `R${i % 7},B${i},${varieties[i % 6]},M9,tall spindle,${planted},12,3,${acres},${trees}`;
      }),
    ),
  ),
);
await timed("yields of five years", () =>
  importFile(
    "save",
    "yields.csv",
    lines(
      "Yields in ton/ac,,,,,\r\nBlock,2022,2023,2024,2025,2026",
      blocks.map((i) => `B${i},${[0, 1, 2, 3, 4].map((k) => 18 + ((i * 3 + k * 5) % 9)).join(",")}`),
    ),
  ),
);
const rule = { fromRecords: true, target: {} };
const shown = await timed("what targets from past seasons would do", () => json("POST", "/targets/preview", rule));
await timed("the targets set", () =>
  call("POST", "/targets", JSON.stringify({ rule, versions: Object.fromEntries(shown.map((p) => [p.id, p.version])) })),
);
// Half as many again as are wanted, and even from tree to tree: a count that settles it.
const buds = new Map(shown.map((p) => [p.code, p.budsAfter]));
await timed("2 400 counted trees", () =>
  importFile(
    "save",
    "counts.csv",
    lines(
      "Block,Row,Tree,Girth (cm),Limbs,Floral buds",
      blocks.flatMap((i) =>
        Array.from({ length: 8 }, (_, k) => {
          const counted = Math.round(buds.get(`B${i}`) * (1.5 + 0.02 * (k % 4)));
          return `B${i},${1 + k},${3 + k},${14 + (k % 3)},${20 + (k % 4)},${counted}`;
        }),
      ),
    ),
  ),
);
const season = await timed("season page, first time", () => json("GET", "/season"));
await timed("300 cards worked out", async () => {
  for (const p of season.plantings) await call("GET", `/plantings/${p.id}/card?language=en&units=us`);
});
const seconds = ((performance.now() - start) / 1000).toFixed(1);
console.log(`${season.readyForCards} of ${season.plantings.length} ready for cards after ${seconds} s`);
