// Times the season page of 341 plantings in a browser that has never seen Rama, and in one that has: from the address
// to the first plantings with their numbers on the screen. Makes an estate of its own.
//   node benchmarks/season-page.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { openBrowser } from "./browser.mjs";
import { call, cookieOf, countedPlantings, inNewEstate } from "./client.mjs";

const [, , base = "http://127.0.0.1:5080"] = process.argv.slice(2);
const ROUNDS = 7;

// What one waits for, and when it was there, in milliseconds from the start of the visit.
const watch = `
  const wanted = { frame: '.shell-places', heading: 'main h1', plantings: '.season-list li .ledger-line' };
  const seen = (window.seen = {});
  const look = () => {
    for (const [name, css] of Object.entries(wanted))
      if (seen[name] === undefined && document.querySelector(css)) seen[name] = performance.now();
    if (Object.keys(seen).length < 3) requestAnimationFrame(look);
  };
  look();`;

await inNewEstate("Season page");
await countedPlantings(341);
while ((await (await call("GET", "/season")).json()).pending);

const cold = [];
const warm = [];
for (let round = 0; round < ROUNDS; round++) {
  const browser = await openBrowser();
  const [, name, value] = /^([^=]+)=(.*)$/.exec(cookieOf());
  await browser.send("Network.setCookie", { url: base, name, value });
  await browser.send("Page.addScriptToEvaluateOnNewDocument", { source: watch });
  for (const times of [cold, warm]) {
    await browser.send("Page.navigate", { url: `${base}/` });
    let seen;
    do {
      await new Promise((later) => setTimeout(later, 100));
      seen = JSON.parse((await browser.run("JSON.stringify(window.seen ?? {})")) ?? "{}");
    } while (seen.plantings === undefined);
    const fetched = JSON.parse(
      await browser.run(`JSON.stringify(performance.getEntriesByType('resource').map((r) => ({
        script: /\\.js$/.test(r.name), bytes: r.encodedBodySize, end: r.responseEnd,
        season: r.name.endsWith('/api/v1/season'), took: r.responseEnd - r.startTime })))`),
    );
    const season = fetched.find((f) => f.season);
    times.push({
      ...seen,
      answer: season.took,
      answered: season.end,
      scriptKb: fetched.filter((f) => f.script).reduce((sum, f) => sum + f.bytes, 0) / 1000,
    });
  }
  await browser.close();
}

const median = (of) => of.toSorted((a, b) => a - b)[Math.floor(of.length / 2)];
for (const [name, times] of Object.entries({ "never seen": cold, again: warm })) {
  const told = Object.keys(times[0]).map((key) => [key, times.map((t) => t[key])]);
  console.log(
    `${name.padEnd(11)}`,
    told
      .map(
        ([key, all]) =>
          `${key} ${Math.round(median(all))} (${Math.round(Math.min(...all))}–${Math.round(Math.max(...all))})`,
      )
      .join(" · "),
  );
}
