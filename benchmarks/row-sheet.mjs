// Frames per second while the row sheet of the planting with the most trees is dragged, in headless Chromium on a
// running Rama.
//   node benchmarks/row-sheet.mjs EMAIL PASSWORD [http://127.0.0.1:5080]
import { spawn } from "node:child_process";

const [email, password, base = "http://127.0.0.1:5080"] = process.argv.slice(2);
const port = 9_700 + Math.floor(Math.random() * 200);
const driver = spawn("chromedriver", [`--port=${port}`], { stdio: "ignore" });
const pause = (ms) => new Promise((done) => setTimeout(done, ms));
async function call(method, path, body) {
  const answer = await (
    await fetch(`http://127.0.0.1:${port}${path}`, { method, body: body && JSON.stringify(body) })
  ).json();
  if (answer.value?.error) throw new Error(answer.value.message);
  return answer.value;
}
try {
  for (let i = 0; i < 50; i++) {
    try {
      await call("GET", "/status");
      break;
    } catch {
      await pause(100);
    }
  }
  const signedIn = await fetch(`${base}/api/v1/session`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ email, password }),
  });
  if (!signedIn.ok) throw new Error(`sign in: ${signedIn.status}`);
  const cookie = signedIn.headers.getSetCookie()[0].split(";")[0];
  const season = await (await fetch(`${base}/api/v1/season`, { headers: { cookie } })).json();
  const sheets = await Promise.all(
    season.plantings.map(async (p) => ({
      ...p,
      sheet: await (await fetch(`${base}/api/v1/plantings/${p.id}/trees`, { headers: { cookie } })).json(),
    })),
  );
  const largest = sheets
    .map((p) => ({ id: p.id, code: p.code, trees: p.sheet.rows.reduce((sum, r) => sum + r.status.length, 0) }))
    .sort((a, b) => b.trees - a.trees)[0];

  const { sessionId } = await call("POST", "/session", {
    capabilities: {
      alwaysMatch: {
        browserName: "chrome",
        "goog:chromeOptions": {
          binary: "/usr/bin/chromium",
          args: ["--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--window-size=1280,860"],
        },
      },
    },
  });
  const [name, ...value] = cookie.split("=");
  await call("POST", `/session/${sessionId}/goog/cdp/execute`, {
    cmd: "Network.setCookie",
    params: { name, value: value.join("="), url: base, httpOnly: true },
  });
  await call("POST", `/session/${sessionId}/url`, { url: `${base}/plantings/${largest.id}/trees` });
  for (
    let i = 0;
    i < 100 &&
    !(await call("POST", `/session/${sessionId}/execute/sync`, {
      script: "return !!document.querySelector('[data-test=sheet]')",
      args: [],
    }));
    i++
  )
    await pause(100);
  for (const zoom of [0, 6]) {
    const frames = await call("POST", `/session/${sessionId}/execute/async`, {
      args: [zoom],
      script: `
        const [zoom, done] = arguments;
        const sheet = document.querySelector('[data-test=sheet]');
        const edge = sheet.getBoundingClientRect();
        const tell = (type, x, y) => sheet.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, buttons: 1, clientX: edge.left + x, clientY: edge.top + y }));
        sheet.setPointerCapture = () => {};
        for (let i = 0; i < zoom; i++) sheet.dispatchEvent(new WheelEvent('wheel', { deltaY: -200, clientX: edge.left + 600, clientY: edge.top + 250, cancelable: true }));
        requestAnimationFrame(() => {
          tell('pointerdown', 600, 250);
          const times = [];
          const start = performance.now();
          let last = start;
          const frame = (now) => {
            times.push(now - last);
            last = now;
            tell('pointermove', 600 + 200 * Math.sin((now - start) / 300), 250 + 80 * Math.cos((now - start) / 200));
            if (now - start < 4000) requestAnimationFrame(frame);
            else { tell('pointerup', 600, 250); done(times.slice(2)); }
          };
          requestAnimationFrame(frame);
        });`,
    });
    frames.sort((a, b) => a - b);
    const mean = frames.reduce((sum, f) => sum + f, 0) / frames.length;
    console.log(
      `${largest.code}, ${largest.trees} trees, ${zoom === 0 ? "all in view" : "near"}: ${(1000 / mean).toFixed(0)} frames/s, slowest of twenty ${frames[Math.floor(frames.length * 0.95)].toFixed(0)} ms, slowest ${frames.at(-1).toFixed(0)} ms`,
    );
  }
  await call("DELETE", `/session/${sessionId}`);
} finally {
  driver.kill();
}
