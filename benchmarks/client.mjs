// What the benchmarks of files share: a signed-in client in an estate of its own. EMAIL PASSWORD [BASE] of the command.
const [email, password, base = "http://127.0.0.1:5080"] = process.argv.slice(2);
const json = { "content-type": "application/json" };
let cookie = "";

export async function call(method, path, body, headers = json) {
  const answer = await fetch(`${base}/api/v1${path}`, { method, body, headers: { ...headers, cookie } });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  const set = answer.headers.getSetCookie()[0];
  if (set) cookie = set.split(";")[0];
  return answer;
}

export async function timed(name, act) {
  const start = performance.now();
  const result = await act();
  console.log(`${name.padEnd(46)} ${((performance.now() - start) / 1000).toFixed(2)} s`);
  return result;
}

export async function importFile(step, name, text, table) {
  const form = () => {
    const data = new FormData();
    data.append("file", new Blob([text]), name);
    return data;
  };
  const first = form();
  if (table) first.append("table", table);
  const { guess } = await (await call("POST", "/imports/read", first, {})).json();
  const second = form();
  second.append("mapping", JSON.stringify(guess));
  const answer = await (await call("POST", `/imports/${step}`, second, {})).text();
  const { report, failure } = JSON.parse(answer.trim().split("\n").at(-1).slice("data: ".length));
  if (failure || report.problemCount > 0) throw new Error(failure ?? JSON.stringify(report.problems.slice(0, 3)));
  return report;
}

export const lines = (header, rows) => [header, ...rows].join("\r\n") + "\r\n";

export const cookieOf = () => cookie;

export const signIn = () => call("POST", "/session", JSON.stringify({ email, password }));

/** Signs in and goes to the demo, whichever estate the person was in last. */
export async function inDemo() {
  const { estates } = await (await signIn()).json();
  const { id } = estates.find((e) => e.name.startsWith("Larkfold"));
  await call("PUT", "/session/estate", JSON.stringify({ estate: id }));
}

/** What a planting of this code is planned from, with its identifier; the target is given another yield. */
export async function planOf(code) {
  const season = await (await call("GET", "/season")).json();
  const { id } = season.plantings.find((p) => p.code === code);
  const view = await (await call("GET", `/plantings/${id}`)).json();
  const { season: year, planting, rows, records, fruitSample, count, settings, target } = view;
  const plan = (fruit) => ({
    season: year,
    planting,
    rows,
    records,
    fruitSample,
    count,
    settings,
    target: { ...target, yield: { value: fruit, unit: "fruit/tree" }, insurance: { school: "serviceLevel" } },
  });
  return { id, plan };
}

/** Signs in and goes to work in a new estate. */
export async function inNewEstate(name) {
  await signIn();
  const estate = await (
    await call("POST", "/estates", JSON.stringify({ estate: `${name} ${Date.now()}`, season: 2027 }))
  ).json();
  await call("PUT", "/session/estate", JSON.stringify({ estate: estate.id }));
}

/** Targets of plantings named P and a number. */
export const targets = (plantings) =>
  lines(
    "Planting,Target yield (t/ha),Target fruit size (g),Bud factor",
    plantings.map((i) => `P${i},${40 + (i % 30)},180,1.7`),
  );

/** Plantings of five sites with targets and ten counted trees each, so that all have cards. */
export async function countedPlantings(count) {
  const plantings = Array.from({ length: count }, (_, i) => i);
  const varieties = ["Elstar", "Jonagold", "Topaz", "Idared", "Pinova", "Fuji"];

  await importFile(
    "save",
    "plantings.csv",
    lines(
      "Site,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)",
      plantings.map(
        (i) =>
          `Site ${i % 5},P${i},Piece ${i},${varieties[i % 6]},M.9,${2005 + (i % 14)},3.${i % 5},1,${1 + (i % 40) / 10}`,
      ),
    ),
  );
  await importFile("save", "plans.csv", targets(plantings), "plans");
  await importFile(
    "save",
    "counts.csv",
    lines(
      "Planting,Row,Tree,Girth (cm),Limbs,Floral buds",
      plantings.flatMap((i) =>
        Array.from(
          { length: 10 },
          (_, k) => `P${i},${k + 1},${10 + 7 * k},${13 + (k % 5)},22,${180 + ((i * 37 + k * 13) % 200)}`,
        ),
      ),
    ),
    "counts",
  );
}
