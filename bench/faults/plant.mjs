// Plants faults in the code, one at a time, and runs the classes of tests that ought to catch each. It works on a clone of its own, so
// that nothing of what is being written is touched.  node bench/faults/plant.mjs [--at COMMIT] [--only PATTERN]
import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const option = (name) => process.argv[process.argv.indexOf(`--${name}`) + 1 || process.argv.length];
const home = join(dirname(fileURLToPath(import.meta.url)), "../..");
const faults = JSON.parse(readFileSync(join(home, "bench/faults/faults.json"), "utf8")).filter((fault) =>
  new RegExp(option("only") ?? "").test(fault.fault),
);
const root = join(mkdtempSync(join(tmpdir(), "umbick-faults-")), "umbick");

const run = (command, input = "") => spawnSync("bash", ["-c", command], { cwd: root, input, encoding: "utf8", maxBuffer: 1 << 28 });
const launcher = 'set -euo pipefail; root=$PWD caller=$PWD; source launcher/state.sh; for part in launcher/*.sh; do source "$part"; done;';

// The clone builds, and has a database of its own that lives until the end.
execFileSync("git", ["clone", "-q", home, root]);
execFileSync("git", ["checkout", "-q", option("at") ?? "HEAD"], { cwd: root });
const made = run(`${launcher} need_packages postgresql chromium chromium-driver; build_assets; fetch_libraries
  compile Umbick.slnx; publish_site
  start_cluster test fresh; cli prepare --demo; cli certificate "$state/keys.pfx"
  printf '%s\\n' "UMBICK_OWNER=$UMBICK_OWNER" "UMBICK_APP=$UMBICK_APP" \\
    "UMBICK_KEYS=$state/keys.pfx" "UMBICK_ROOT=$root" "CLUSTER=$cluster" >"$state/faults.env"`);
if (made.status !== 0) throw new Error(made.stdout + made.stderr);
const environment = readFileSync(join(root, ".umbick/faults.env"), "utf8")
  .trim()
  .split("\n")
  .map((line) => `export ${line.replace("=", "='")}'`)
  .join("; ");

const testing = (project, classes) => {
  const chosen = classes.map((name) => `-class '*.${name}'`).join(" ");
  return `timeout 400 dotnet artifacts/bin/Umbick.${project}.Tests/release/Umbick.${project}.Tests.dll -noColor -stopOnFail ${chosen}`;
};

// Tests that are red without a fault catch none.
const sound = new Map();
const areGreen = (tests) => {
  if (!sound.has(tests)) sound.set(tests, run(`${environment}; ${tests}`).status === 0);
  return sound.get(tests);
};

let caught = 0;
try {
  for (const { fault, file, from, to, project, classes = [] } of faults) {
    const path = join(root, file);
    const before = readFileSync(path, "utf8");
    if (!before.includes(from)) {
      console.log(`not there  ${fault} (${file})`);
      continue;
    }
    if (!areGreen(testing(project, classes))) {
      console.log(`red before ${fault} (${classes.join(", ")})`);
      continue;
    }
    writeFileSync(path, before.replace(from, to));
    // Only the project with the fault is built, and put in the place of what was built of it: who uses it stays as it is.
    const assembly = file.split("/")[1];
    const tests = run(`${environment}; mkdir -p .umbick/sound && cp artifacts/bin/${assembly}/release/${assembly}.dll .umbick/sound/
      dotnet build --no-restore --no-dependencies -p:RunAnalyzers=false -c Release src/${assembly} >.umbick/fault.log 2>&1 || exit 3
      put() { find artifacts/bin artifacts/publish -name ${assembly}.dll -path '*/release/*' -exec cp "$1" {} ';'; }
      cp artifacts/bin/${assembly}/release/${assembly}.dll .umbick/faulty.dll; put .umbick/faulty.dll
      ${testing(project, classes)}
      code=$?; put .umbick/sound/${assembly}.dll; exit $code`);
    writeFileSync(path, before);
    const by = tests.stdout.match(/Tests\.(\S+?)(\(.*)? \[FAIL\]/)?.[1];
    const red = tests.status !== 0 && tests.status !== 3;
    if (red) caught++;
    console.log(`${tests.status === 3 ? "unbuilt  " : red ? "caught   " : "NOT SEEN "}  ${fault}${by ? `, by ${by}` : ""}`);
  }
} finally {
  run(`${launcher} cluster=$(grep ^CLUSTER .umbick/faults.env | cut -d= -f2); stop_cluster; as_postgres rm -rf "$cluster"`);
  rmSync(dirname(root), { recursive: true, force: true });
}
console.log(`${caught} of ${faults.length} faults were caught.`);
process.exitCode = caught === faults.length ? 0 : 1;
