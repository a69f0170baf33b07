// Each verb of the launcher on a fresh clone of what lies here, in a folder with a space, by paths that are told from where it is called.
// What a school's site says when it is started wrongly, and what it does when its database dies.
import { after, before, test } from "node:test";
import assert from "node:assert/strict";
import { spawn, spawnSync } from "node:child_process";
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { createServer } from "node:net";
import { tmpdir, userInfo } from "node:os";
import { dirname, join } from "node:path";

const source = process.cwd();
const home = mkdtempSync(join(tmpdir(), "umbick verbs "));
const clone = join(home, "a clone");
const elsewhere = join(home, "from elsewhere");
const umbick = join(clone, "umbick");
const environment = Object.fromEntries(
  Object.entries(process.env).filter(([name]) => !name.startsWith("UMBICK_") && !name.startsWith("NODE_TEST")),
);
// What needs minutes, or this test itself, is run elsewhere.
const notHere = ["test", "shots", "bench", "cluster-trial"];
const ran = new Set();

function run(...words) {
  ran.add(words[0]);
  return spawnSync(umbick, words, { cwd: elsewhere, env: environment, encoding: "utf8", maxBuffer: 64 << 20 });
}

function done(...words) {
  const { status, stdout, stderr } = run(...words);
  assert.equal(status, 0, `${words.join(" ")}: ${stdout}${stderr}`);
  return stdout;
}

/// What is refused is told in a sentence, and ends with 2.
function refused(words, told) {
  const { status, stdout, stderr } = run(...words);
  assert.match(stderr, told, `${words.join(" ")}: ${stdout}${stderr}`);
  assert.doesNotMatch(`${stdout}${stderr}`, /^ +at |Unhandled/m, words.join(" "));
  assert.equal(status, 2, words.join(" "));
}

async function freePort() {
  const server = createServer();
  await new Promise((listening) => server.listen(0, "127.0.0.1", listening));
  const { port } = server.address();
  await new Promise((closed) => server.close(closed));
  return port;
}

/// Starts a verb that goes on, until it says that it is there.
async function started(...words) {
  ran.add(words[0]);
  const child = spawn(umbick, words, { cwd: elsewhere, env: environment, stdio: ["ignore", "pipe", "pipe"] });
  let said = "";
  const there = new Promise((resolve, reject) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on("data", (text) => {
        said += text;
        if (said.includes("stops it")) resolve();
      });
    child.on("exit", (code) => reject(new Error(`${words.join(" ")} ended with ${code}: ${said}`)));
  });
  const over = new Promise((resolve) => child.on("exit", resolve));
  await there;
  return { child, over, said: () => said };
}

async function answers(address, status = 200) {
  for (let tries = 0; tries < 1800; tries++) {
    try {
      if ((await fetch(address)).status === status) return;
    } catch {
      /* Not yet. */
    }
    await new Promise((again) => setTimeout(again, 100));
  }
  assert.fail(`${address} does not answer with ${status}`);
}

before(() => {
  for (const file of spawnSync("git", ["ls-files", "-co", "--exclude-standard", "-z"], { cwd: source, encoding: "utf8" })
    .stdout.split("\0")
    .filter((name) => name && existsSync(join(source, name)))) {
    mkdirSync(dirname(join(clone, file)), { recursive: true });
    cpSync(join(source, file), join(clone, file));
  }
  mkdirSync(elsewhere);
  // The command line is built here from nothing. The site is not once more, where the tests run on one of the same files.
  const built = [
    "artifacts/publish",
    "artifacts/bin/Umbick.Planner",
    "src/Umbick.Web/wwwroot/built",
    "src/Umbick.Casework/Accounts/built",
    "src/Umbick.Drawing/Paper/built",
    ...["npm", "assets", "site"].map((name) => `.umbick/${name}.stamp`),
  ];
  if (!built.every((path) => existsSync(join(source, path)))) return;
  for (const path of built) cpSync(join(source, path), join(clone, path), { recursive: true });
  symlinkSync(join(source, "node_modules"), join(clone, "node_modules"));
});

after(() => {
  rmSync(home, { recursive: true, force: true });
  if (userInfo().uid !== 0) return;
  for (const folder of [clone, join(home, "unpacked there")])
    rmSync(join("/var/lib/umbick", folder.slice(1).replace(/[^A-Za-z0-9]/g, "-")), { recursive: true, force: true });
});

test("the reading model runs on a fresh clone, on files beside whoever calls", () => {
  const asked = spawnSync(umbick, ["sitting"], {
    cwd: elsewhere,
    env: environment,
    encoding: "utf8",
    input: '{"child":"a","items":1,"stage":4}\n{"answer":"4:00"}\n',
  });
  assert.equal(asked.status, 0, asked.stderr);
  assert.match(asked.stdout, /^\{"ask":/);
  ran.add("sitting");
  writeFileSync(
    join(elsewhere, "answers.csv"),
    "child,date,task,given,answer\nFennel,2026-03-02,read-digital,6:20,7:20\nFennel,2026-03-02,read-digital,4:40,5:40\n",
  );
  assert.equal(JSON.parse(done("diagnose", "answers.csv")).children[0].child, "Fennel");
  assert.match(done("simulate", "--children", "1"), /one/);
});

test("a school is made, filled, backed up, put back and brought up to date, each twice", () => {
  assert.match(
    done("new-school", "--name", "Skerry School", "--zone", "Europe/London", "--teacher", "Tern", "--user-name", "tern@skerry.example"),
    /Password:/,
  );
  done("add-teacher", "--teacher", "Knot", "--user-name", "knot@skerry.example");
  assert.match(done("let-in", "knot@skerry.example"), /\/welcome\//);
  assert.match(done("let-in", "knot@skerry.example", "--second-step"), /has no second step/);
  done("import", "answers.csv", "--caseload");
  assert.match(done("export", "children"), /Fennel/);

  refused(["backup", "kept/"], /There is no folder/);
  done("backup", "kept", "--new-folder");
  spawnSync("sleep", ["1"]);
  done("backup", "kept", "--keep", "5");
  assert.equal(readdirSync(join(elsewhere, "kept")).filter((name) => name.endsWith(".backup")).length, 2);
  done("check-backup", "kept");
  refused(["restore", "kept"], /--replace puts the backup in its place/);
  for (let time = 0; time < 2; time++) {
    done("restore", "kept", "--replace");
    done("upgrade");
  }
  assert.match(done("drop-replaced"), /Dropped/);
  assert.match(run("well").stdout, /Database \d/);
  assert.equal(
    statSync(
      join(
        elsewhere,
        "kept",
        readdirSync(join(elsewhere, "kept")).find((name) => name.endsWith(".backup")),
      ),
    ).mode & 0o77,
    0,
  );
});

test("what is wrong with how a site is started is told before anything is started", () => {
  const at = (name) => join(home, name);
  const certificate = (name, ...days) =>
    spawnSync("openssl", [
      "req",
      "-x509",
      "-newkey",
      "rsa:2048",
      "-nodes",
      ...days,
      "-subj",
      "/CN=clock.skerry.example",
      "-keyout",
      at(`${name}.key`),
      "-out",
      at(`${name}.pem`),
    ]);
  certificate("over", "-not_before", "20200101000000Z", "-not_after", "20200102000000Z");
  if (!existsSync(at("over.pem"))) {
    // An older openssl has no such option: the same by its small authority.
    spawnSync("openssl", [
      "req",
      "-newkey",
      "rsa:2048",
      "-nodes",
      "-subj",
      "/CN=clock.skerry.example",
      "-keyout",
      at("over.key"),
      "-out",
      at("over.csr"),
    ]);
    spawnSync("openssl", ["x509", "-req", "-in", at("over.csr"), "-signkey", at("over.key"), "-days", "-1", "-out", at("over.pem")]);
  }
  certificate("good", "-days", "30");
  writeFileSync(at("none.pem"), "no certificate\n");
  const host = ["--host", "clock.skerry.example"];
  refused(["start", "--certificate", at("over.pem"), "--key", at("over.key"), ...host], /The certificate ended on/);
  refused(["start", "--certificate", at("none.pem"), ...host], /no certificate|cannot be read/);
  refused(["start", "--certificate", at("good.pem"), "--key", at("over.key"), ...host], /cannot be read|do not belong/);
  refused(["start", "--certificate", "missing.pem", ...host], /There is no file .*from elsewhere\/missing.pem/);
  refused(["start", "--certificate", at("good.pem"), "--key", at("good.key")], /--host NAME/);
  refused(["start", "--proxy", "the proxy", ...host], /is no address of a proxy/);
  refused(["start", "--port", "99999"], /There is no port 99999/);
  assert.notEqual(run("start", "--prot", "5180").status, 0);
  assert.notEqual(run("start", "--port", "soon").status, 0);
});

test("a database that dies is started again under its site, and a backup is made meanwhile", async () => {
  const port = await freePort();
  const site = await started("start", "--port", `${port}`);
  const ready = `http://127.0.0.1:${port}/ready`;
  await answers(ready);
  refused(["restore", "kept", "--replace"], /the site runs/);
  refused(["start", "--port", `${port + 1}`], /runs already/);
  const postmaster = () =>
    readFileSync(
      spawnSync(
        "find",
        [
          userInfo().uid === 0 ? "/var/lib/umbick" : join(clone, ".umbick/clusters"),
          "-path",
          `*${userInfo().uid === 0 ? clone.slice(1).replace(/[^A-Za-z0-9]/g, "-") : "school"}*`,
          "-name",
          "postmaster.pid",
        ],
        { encoding: "utf8" },
      )
        .stdout.trim()
        .split("\n")[0],
      "utf8",
    ).split("\n")[0];
  for (let time = 0; time < 2; time++) {
    process.kill(Number(postmaster()), "SIGKILL");
    done("backup", "kept");
    await answers(ready);
    assert.match(site.said(), /The database ended/);
  }
  site.child.kill("SIGTERM");
  await site.over;
  assert.throws(() => postmaster());
});

test("the demonstration is served", async () => {
  const port = await freePort();
  environment.UMBICK_PORT = `${port}`;
  const demo = await started("demo");
  await answers(`http://127.0.0.1:${port}/`);
  demo.child.kill("SIGINT");
  await demo.over;
});

test("a package is a school's whole site where there is neither an SDK nor Node", async () => {
  done("package", "made.tar.gz");
  assert.equal(spawnSync("sha256sum", ["-c", "made.tar.gz.sha256"], { cwd: elsewhere }).status, 0);
  const there = join(home, "unpacked there");
  mkdirSync(there);
  // PostgreSQL's own account looks there too.
  const programs = mkdtempSync(join(tmpdir(), "umbick programs "));
  chmodSync(programs, 0o755);
  spawnSync("tar", ["-xzf", join(elsewhere, "made.tar.gz"), "--strip-components=1", "-C", there]);
  assert.equal(spawnSync("sha256sum", ["-c", "--quiet", "SHA256SUMS"], { cwd: there }).status, 0);
  // Every program of this machine but those.
  for (const folder of ["/usr/sbin", "/usr/bin", "/sbin", "/bin"])
    for (const name of readdirSync(folder).filter((each) => !/^(dotnet|node|npm|npx|corepack)$/.test(each)))
      if (!existsSync(join(programs, name))) symlinkSync(join(folder, name), join(programs, name), "file");
  const own = { ...environment, PATH: programs };
  const verb = (...words) => spawnSync(join(there, "umbick"), words, { cwd: elsewhere, env: own, encoding: "utf8" });
  const port = await freePort();
  for (const words of [
    ["new-school", "--name", "Holm School", "--zone", "Europe/London", "--teacher", "Tern", "--user-name", "tern@holm.example"],
    ["import", "answers.csv"],
    ["backup", "holm.backup"],
    ["upgrade"],
    ["diagnose", "answers.csv"],
  ]) {
    const { status, stdout, stderr } = verb(...words);
    assert.equal(status, 0, `${words.join(" ")}: ${stdout}${stderr}`);
  }
  assert.match(verb("test").stderr, /takes the source/);
  const site = spawn(join(there, "umbick"), ["start", "--port", `${port}`], { cwd: elsewhere, env: own, stdio: "ignore" });
  await answers(`http://127.0.0.1:${port}/`);
  site.kill("SIGTERM");
  await new Promise((resolve) => site.on("exit", resolve));
  rmSync(programs, { recursive: true });
});

test("a folder that root began is told to somebody else", { skip: userInfo().uid !== 0 }, () => {
  spawnSync("chmod", ["-R", "a+rX", home]);
  const { status, stderr } = spawnSync("runuser", ["-u", "nobody", "--", umbick, "demo"], {
    cwd: "/",
    env: environment,
    encoding: "utf8",
  });
  assert.equal(status, 2);
  assert.match(stderr, /belongs to root, not to nobody/);
});

test("each verb that the launcher and the front page tell of was run", () => {
  const help = done("help");
  const told = new Set(
    [help, readFileSync(join(source, "README.md"), "utf8")].flatMap((text) =>
      [...text.matchAll(/^\.\/umbick ([a-z-]+)/gm)].map((verb) => verb[1]),
    ),
  );
  assert.deepEqual(
    [...told].filter((verb) => !ran.has(verb) && !notHere.includes(verb)),
    [],
  );
});
