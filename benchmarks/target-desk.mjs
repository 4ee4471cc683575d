// Times what the target desk recomputes at every keystroke and drag, on a running Rama with the demo. Saves nothing.
//   node benchmarks/target-desk.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { call, inDemo, planOf } from "./client.mjs";

await inDemo();
for (const code of ["H4", "W4", "H8"]) {
  const { id, plan } = await planOf(code);
  for (const [name, path] of [
    ["plan", "/calculations/plan"],
    ["desk", `/plantings/${id}/target/desk`],
  ]) {
    const times = [];
    for (let i = 0; i < 500; i++) {
      const start = performance.now();
      await (await call("POST", path, JSON.stringify(plan(60 + (i % 90))))).arrayBuffer();
      if (i >= 200) times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    console.log(
      `${code} ${name.padEnd(5)} 300 times, each another target: median ${times[150].toFixed(1)} ms, p95 ${times[285].toFixed(1)} ms`,
    );
  }
}
