// A browser as the benchmarks of pages need it: headless Chromium told over a pipe, with nothing kept from before.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Opens a browser with one tab; `send` is a command of the DevTools protocol to it. */
export async function openBrowser(width = 1280, height = 800) {
  const profile = mkdtempSync(join(tmpdir(), "rama-browser-"));
  const options = ["--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage"];
  const child = spawn(
    "chromium",
    [...options, `--user-data-dir=${profile}`, `--window-size=${width},${height}`, "--remote-debugging-pipe"],
    { stdio: ["ignore", "ignore", "ignore", "pipe", "pipe"] },
  );
  const asked = new Map();
  let [next, held] = [0, ""];
  child.stdio[4].setEncoding("utf8").on("data", (data) => {
    const messages = (held + data).split("\0");
    held = messages.pop();
    for (const { id, result, error } of messages.map((m) => JSON.parse(m))) {
      asked.get(id)?.(result ?? Promise.reject(new Error(error?.message)));
      asked.delete(id);
    }
  });
  const command = (method, params, sessionId) =>
    new Promise((answer) => {
      asked.set(++next, answer);
      child.stdio[3].write(`${JSON.stringify({ id: next, method, params, sessionId })}\0`);
    });
  const { targetId } = await command("Target.createTarget", { url: "about:blank" });
  const { sessionId } = await command("Target.attachToTarget", { targetId, flatten: true });
  const send = (method, params = {}) => command(method, params, sessionId);
  await send("Page.enable");
  return {
    send,
    /** What a script comes to. */
    run: async (expression) =>
      (await send("Runtime.evaluate", { expression, awaitPromise: true, returnByValue: true })).result.value,
    close: async () => {
      const ended = new Promise((end) => child.once("close", end));
      void command("Browser.close");
      await ended;
      // What it started may write a moment longer.
      rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
    },
  };
}
