// Times putting a tree on the bench, a cut made by hand and a simulation of 200 trees, on a running Rama with the demo.
// Saves nothing.
//   node benchmarks/tree-bench.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
const [email, password, base = "http://127.0.0.1:5080"] = process.argv.slice(2);
const headers = { "content-type": "application/json", cookie: "" };

async function call(method, path, body) {
  const answer = await fetch(`${base}/api/v1${path}`, { method, body: body && JSON.stringify(body), headers });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  const set = answer.headers.getSetCookie()[0];
  if (set) headers.cookie = set.split(";")[0];
  return answer;
}

async function timed(name, times, act) {
  const took = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await act(i);
    if (i >= times / 4) took.push(performance.now() - start);
  }
  took.sort((a, b) => a - b);
  const at = (share) => took[Math.floor(took.length * share)].toFixed(0);
  console.log(`${name.padEnd(34)} ${took.length} times: median ${at(0.5)} ms, p95 ${at(0.95)} ms`);
}

await call("POST", "/session", { email, password });
const season = await (await call("GET", "/season")).json();
for (const code of ["H4", "H9", "W9"]) {
  const { id } = season.plantings.find((p) => p.code === code);
  const path = `/plantings/${id}/bench`;
  const view = await (await call("POST", path, { number: 0 })).json();
  const cuts = view.prescribed.map(({ branch, bud, leaveM }) => (bud == null ? { branch, leaveM } : { bud }));
  await timed(`${code} bench`, 120, (i) => call("POST", path, { number: i }).then((a) => a.arrayBuffer()));
  await timed(`${code} one cut after ${String(cuts.length - 1).padStart(2)} others`, 120, () =>
    call("POST", `${path}/cuts`, { number: 0, cuts }).then((a) => a.arrayBuffer()),
  );
  await timed(`${code} simulation of 200 trees`, 40, (i) =>
    call("POST", `/plantings/${id}/simulation`, { seed: i, trees: 200 }).then((a) => a.arrayBuffer()),
  );
}
