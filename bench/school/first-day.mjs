// A school's first day, by the page docs/running.md: each of its lines in a box is run as it stands, on a fresh clone, and what people do
// in between is done over TLS. Says how long each step took. To be run as root and as an ordinary user.
import { spawn, spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, readdirSync, rmSync } from "node:fs";
import { tmpdir, userInfo } from "node:os";
import { join } from "node:path";
import { Guest } from "./guest.mjs";

const host = "clock.skerry.example";
const port = 8443;
const password = "four grey gulls at noon";
const home = process.env.UMBICK_FIRST_DAY_HOME ?? mkdtempSync(join(tmpdir(), "umbick-first-day-"));
const clone = join(home, "umbick");
const environment = { ...process.env, HOME: home };
for (const name of ["UMBICK_OWNER", "UMBICK_APP", "UMBICK_BACKUP", "UMBICK_KEYS", "UMBICK_SIGNALS"]) delete environment[name];

const boxes = [...readFileSync("docs/running.md", "utf8").matchAll(/```sh\n([\s\S]*?)```/g)].map((box) => box[1].trim());
const [newSchool, start, backup, well, restore, upgrade, letIn] = boxes;
const began = Date.now();
let site;

function told(what, since) {
  console.log(`  ${((Date.now() - since) / 1000).toFixed(1).padStart(6)} s  ${what}`);
}

function run(what, lines) {
  const since = Date.now();
  const done = spawnSync("bash", ["-euc", lines], { cwd: clone, env: environment, encoding: "utf8" });
  if (done.status !== 0) throw new Error(`${what}: ${done.stdout}${done.stderr}`);
  told(what, since);
  return done.stdout;
}

async function startSite() {
  const since = Date.now();
  site = spawn("bash", ["-euc", `exec ${start}`], { cwd: clone, env: environment, stdio: ["ignore", "pipe", "inherit"] });
  let said = "";
  await new Promise((started, failed) => {
    site.stdout.on("data", (text) => {
      said += text;
      if (said.includes("stops it")) started();
    });
    site.on("exit", (code) => failed(new Error(`start ended with ${code}: ${said}`)));
  });
  told("start, by TLS", since);
}

async function stopSite() {
  const since = Date.now();
  site.removeAllListeners("exit");
  const over = new Promise((ended) => site.on("exit", ended));
  site.kill("SIGTERM");
  await over;
  told("stop", since);
}

const guest = () => new Guest({ host, port, certificate: join(home, "clock.pem") });

async function firstDay(made) {
  const since = Date.now();
  const tern = guest();
  await tern.signIn("tern@skerry.example", made);
  await tern.send("/you", "Change it", { current: made, password });
  told("the first teacher signs in and changes the password", since);

  const inviting = Date.now();
  const page = await tern.send("/people", "Make a link", { name: "Plover", role: "Assistant" });
  const link = new URL(page.querySelector("#handed").value).pathname;
  const plover = guest();
  await plover.send(link, "Come in", { userName: "plover@skerry.example", password: "three brown hens at dusk" });
  if (!(await plover.page("/helping")).body.textContent.includes("Nothing is prepared")) throw new Error("the assistant is not in");
  if ((await plover.get("/children")).status !== 403) throw new Error("the assistant sees the caseload");
  told("an assistant is invited, comes in, and sees no record", inviting);

  const asking = Date.now();
  await tern.send("/children/new", "Add", { alias: "Fennel", stage: "FiveMinutesTo" });
  const caseload = await tern.page("/children");
  const child = [...caseload.querySelectorAll("a")]
    .find((link) => link.textContent.trim() === "Fennel")
    .getAttribute("href")
    .split("/")[2];
  await tern.ask(child, ["7:20", "4:40", "8:35", "2:50", "6:55", "11:45", "9:40", "3:35", "5:50", "12:40", "1:55", "10:35"]);
  await tern.makeSet(child, "next-hour");
  told("a child is added and asked twelve clocks, and has a set", asking);
  return { tern, child };
}

/// Nothing of an erased record is left: in a dump of all tables, sessions with them, or in the logs.
function lookForErased(child) {
  const since = Date.now();
  const dump = run(
    "a dump after it",
    `mkdir -p ~/after && cd ~/after && "$OLDPWD/umbick" backup ~/after/after.backup >/dev/null && tar xf after.backup \\
      && "$(ls -d /usr/lib/postgresql/*/bin | tail -n 1)/pg_restore" -f - umbick.dump`,
  );
  const logs = run("the logs", "cat .umbick/logs/*");
  if (!dump.includes("COPY public.session") || logs.length === 0) throw new Error("there is nothing to look through");
  for (const [where, text] of [
    ["the dump", dump],
    ["the logs", logs],
  ])
    for (const word of ["Fennel", child]) if (text.includes(word)) throw new Error(`${where} still has ${word}`);
  told("nothing of it is left in a dump of every table or in the logs", since);
}

/// The database is killed while the site runs: it is started again, and a backup made meanwhile goes through.
async function killDatabase() {
  const since = Date.now();
  const found = spawnSync(
    "bash",
    [
      "-c",
      `cat "${clone}"/.umbick/clusters/school/postmaster.pid /var/lib/umbick/*"$(basename "${home}")"*/school/postmaster.pid 2>/dev/null \\
        | head -n 1`,
    ],
    { encoding: "utf8" },
  );
  process.kill(Number(found.stdout.trim()), "SIGKILL");
  run("a backup while the database is started again", "./umbick backup ~/backups");
  await guest().page("/");
  told("the database was killed, and the site is reached again", since);
}

/// A disk that is full, as a limit on the size of files: it is told, and nothing is left half.
function fullDisk() {
  const since = Date.now();
  const before = readdirSync(join(home, "backups")).length;
  const done = spawnSync("bash", ["-c", "trap '' XFSZ; ulimit -f 40; DOTNET_EnableWriteXorExecute=0 ./umbick backup ~/backups"], {
    cwd: clone,
    env: environment,
    encoding: "utf8",
  });
  if (done.status !== 2 || /^ +at /m.test(done.stderr) || !done.stderr.includes("umbick: "))
    throw new Error(`a full disk is not told: ${done.status} ${done.stdout}${done.stderr}`);
  if (readdirSync(join(home, "backups")).length !== before) throw new Error("a full disk leaves something behind");
  told("a full disk is told in a sentence", since);
}

async function main() {
  console.log(`As ${userInfo().username}, in ${home}`);
  if (spawnSync("git", ["clone", "-q", process.cwd(), clone]).status !== 0) throw new Error("no clone");
  spawnSync("openssl", [
    "req",
    "-x509",
    "-newkey",
    "rsa:2048",
    "-nodes",
    "-days",
    "30",
    "-subj",
    `/CN=${host}`,
    "-addext",
    `subjectAltName=DNS:${host}`,
    "-keyout",
    join(home, "clock.key"),
    "-out",
    join(home, "clock.pem"),
  ]);
  const made = /Password: +(\S+)/.exec(run("new-school, with all that it builds", newSchool))[1];
  await startSite();
  const { tern, child } = await firstDay(made);
  run("backup while it runs, and check-backup", backup);
  run("whether it is well", well);
  await killDatabase();
  fullDisk();

  const erasing = Date.now();
  await tern.send(`/children/${child}/record`, "Erase the record", { alias: "Fennel" });
  if ((await tern.get(`/children/${child}`)).status !== 404) throw new Error("the record is still there");
  told("the record is erased", erasing);
  lookForErased(child);
  await stopSite();
  const restored = run("restore", restore);
  if (!restored.includes("Erased again: 1 record")) throw new Error(`restore does not erase the record again: ${restored}`);
  await startSite();
  const again = guest();
  await again.signIn("tern@skerry.example", password);
  if ((await again.get(`/children/${child}/record`)).status !== 404) throw new Error("the erased record came back");
  run("a second backup, by the line without --new-folder, and its check", backup.replace(" --new-folder", ""));
  const link = run("let-in", letIn).trim();
  await guest().send(new URL(link).pathname, "Keep it and go in", { password: "two white swans at dawn" });
  await stopSite();
  if (!run("upgrade", upgrade).includes("The way back")) throw new Error("upgrade says no way back");
  console.log(`All of it in ${((Date.now() - began) / 1000).toFixed(0)} s; ${readdirSync(join(home, "backups")).length} backup.`);
}

try {
  await main();
} finally {
  site?.kill("SIGTERM");
  if (!process.env.UMBICK_FIRST_DAY_HOME) rmSync(home, { recursive: true, force: true });
}
