// Times the cards of 300 plantings on a running Rama: written, and handed out; and in a browser, from the key that
// starts the run to the pages it prints. Makes an estate of its own.
//   node benchmarks/print-run.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { openBrowser } from "./browser.mjs";
import { call, cookieOf, countedPlantings, inNewEstate, timed } from "./client.mjs";

const [, , base = "http://127.0.0.1:5080"] = process.argv.slice(2);

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

const browser = await openBrowser();
const [, name, value] = /^([^=]+)=(.*)$/.exec(cookieOf());
await browser.send("Network.setCookie", { url: base, name, value });
await browser.send("Page.navigate", { url: `${base}/cards` });
/** Waits until the page says so, looked at ten times a second. */
const until = async (condition) => {
  while (!(await browser.run(condition))) await new Promise((later) => setTimeout(later, 100));
};
await until(`!!document.querySelector("[data-test='run-start']")`);
await timed(`in a browser, all cards on the page`, async () => {
  await browser.run(`document.querySelector("[data-test='run-start']").click()`);
  await until(`!!document.querySelector("[data-test='run-print']")`);
});
const { data } = await timed(`in a browser, printed`, () =>
  browser.send("Page.printToPDF", { preferCSSPageSize: true, printBackground: true }),
);
const paper = Buffer.from(data, "base64");
const pages = paper.toString("latin1").match(/\/Type\s*\/Page\b/g)?.length ?? 0;
console.log(`  ${(paper.length / 1_000_000).toFixed(1)} MB, ${pages} pages`);
await browser.close();
