// Four simulations of 20 000 trees begun at once by one person, and how long the season page takes another meanwhile,
// on a running Rama with the demo. On Linux it tells the most memory the server had, too. Saves nothing.
//   node benchmarks/long-work.mjs READER MANAGER PASSWORD [http://127.0.0.1:5080] [PID OF THE SERVER]
import { readFileSync } from "node:fs";

const [reader, manager, password, base = "http://127.0.0.1:5080", pid] = process.argv.slice(2);

async function signedIn(email) {
  const headers = { "content-type": "application/json", cookie: "" };
  const call = async (method, path, body) => {
    const answer = await fetch(`${base}/api/v1${path}`, { method, body: body && JSON.stringify(body), headers });
    if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
    return answer;
  };
  const answer = await call("POST", "/session", { email, password });
  headers.cookie = answer.headers.getSetCookie()[0].split(";")[0];
  return call;
}

const peak = () => /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))[1];
const memory = () => (pid ? `${peak() / 1024} MB` : "–");

const [one, other] = [await signedIn(reader), await signedIn(manager)];
const season = await (await other("GET", "/season")).json();
const { id } = season.plantings.find((p) => p.code === "H9");
console.log(`most memory before: ${memory()}`);
let running = 4;
const start = performance.now();
const simulations = [1, 2, 3, 4].map((seed) =>
  one("POST", `/plantings/${id}/simulation`, { seed, trees: 20000 })
    .then((a) => a.arrayBuffer())
    .finally(() => {
      running--;
    }),
);
const took = [];
while (running > 0) {
  const asked = performance.now();
  await (await other("GET", "/season")).arrayBuffer();
  took.push(performance.now() - asked);
  await new Promise((next) => setTimeout(next, 100));
}
await Promise.all(simulations);
took.sort((a, b) => a - b);
console.log(`four simulations: ${((performance.now() - start) / 1000).toFixed(1)} s`);
const [median, longest] = [took[took.length >> 1], took.at(-1)].map((ms) => `${ms.toFixed(0)} ms`);
console.log(`season page meanwhile: ${took.length} times, median ${median}, longest ${longest}`);
console.log(`most memory after: ${memory()}`);
