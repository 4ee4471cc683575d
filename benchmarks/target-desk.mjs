// Times what the target desk recomputes at every keystroke and drag, on a running Rama with the demo. Saves nothing.
//   node benchmarks/target-desk.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
const [email, password, base = "http://127.0.0.1:5080"] = process.argv.slice(2);
const headers = { "content-type": "application/json", cookie: "" };

async function call(method, path, body) {
  const answer = await fetch(`${base}/api/v1${path}`, { method, body: body && JSON.stringify(body), headers });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  const set = answer.headers.getSetCookie()[0];
  if (set) headers.cookie = set.split(";")[0];
  return answer;
}

await call("POST", "/session", { email, password });
const season = await (await call("GET", "/season")).json();
for (const code of ["H4", "W4", "H8"]) {
  const line = season.plantings.find((p) => p.code === code);
  const view = await (await call("GET", `/plantings/${line.id}`)).json();
  const { season: year, planting, rows, records, fruitSample, count, settings } = view;
  const plan = (i) => ({
    season: year,
    planting,
    rows,
    records,
    fruitSample,
    count,
    settings,
    target: {
      ...view.target,
      yield: { value: 60 + (i % 90), unit: "fruit/tree" },
      insurance: { school: "serviceLevel" },
    },
  });
  for (const [name, path] of [
    ["plan", "/calculations/plan"],
    ["desk", `/plantings/${line.id}/target/desk`],
  ]) {
    const times = [];
    for (let i = 0; i < 500; i++) {
      const start = performance.now();
      await (await call("POST", path, plan(i))).arrayBuffer();
      if (i >= 200) times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    console.log(
      `${code} ${name.padEnd(5)} 300 times, each another target: median ${times[150].toFixed(1)} ms, p95 ${times[285].toFixed(1)} ms`,
    );
  }
}
