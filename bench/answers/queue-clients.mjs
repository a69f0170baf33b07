// Children and teachers who answer through the shipped queue, outside a browser: each has a storage and cookies of its own, reloads its
// page now and then, and is signed out in the middle. They know nothing of the site but its forms. Standard input gives who they are, the
// codes they ask for, and that it is enough; standard output tells, a JSON object a line, which codes they need and, at the end, what became of each answer.
import { createInterface } from "node:readline";
import { pathToFileURL } from "node:url";

const [, , queueFile, address, seed] = process.argv;
await import(pathToFileURL(queueFile));
const { AnswerQueue } = globalThis;

let state = Number(seed) >>> 0;
function random() {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = Math.imul(state ^ (state >>> 15), 1 | state);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}
const wait = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

const lines = createInterface({ input: process.stdin })[Symbol.asyncIterator]();
const say = (what, then) => process.stdout.write(`${JSON.stringify(what)}\n`, then);
const codes = new Map();
let enough = false;

class Storage {
  #kept = new Map();
  get length() {
    return this.#kept.size;
  }
  key(i) {
    return [...this.#kept.keys()][i] ?? null;
  }
  getItem(key) {
    return this.#kept.get(key) ?? null;
  }
  setItem(key, value) {
    this.#kept.set(key, String(value));
  }
  removeItem(key) {
    this.#kept.delete(key);
  }
}

class Client {
  cookies = new Map();
  storage = new Storage();
  typed = [];
  acknowledged = [];
  refused = [];
  form = null;
  heard = null;

  constructor(who) {
    Object.assign(this, who);
  }

  async ask(path, { headers = {}, ...rest } = {}) {
    const cookie = [...this.cookies].map(([name, value]) => `${name}=${value}`).join("; ");
    const answer = await fetch(new URL(path, address), { redirect: "manual", ...rest, headers: { ...headers, cookie } });
    for (const set of answer.headers.getSetCookie()) {
      const [, name, value] = set.match(/^([^=]+)=([^;]*)/);
      if (/expires=Thu, 01 Jan 1970/i.test(set)) this.cookies.delete(name);
      else this.cookies.set(name, value);
    }
    return answer;
  }

  async signIn() {
    for (;;) {
      // A reply may only have said so: whoever still is signed in goes on.
      await this.renew();
      if (this.form) return;
      try {
        const page = await (await this.ask(this.code ? "/go" : "/")).text();
        const token = page.match(/name="__RequestVerificationToken"[^>]*value="([^"]+)"/)?.[1];
        if (!token) throw new Error("no page");
        const body = new URLSearchParams({ __RequestVerificationToken: token });
        if (this.code) body.set("code", await this.freshCode());
        else
          [
            ["userName", this.user],
            ["password", this.password],
          ].forEach((field) => body.set(...field));
        const answer = await this.ask(this.code ? "/go" : "/", { method: "POST", body });
        if (answer.status === 302) continue;
      } catch {
        /* the site is down just now */
      }
      await wait(100);
    }
  }

  async freshCode() {
    say({ need: this.sitting });
    while (!codes.has(this.sitting)) await wait(20);
    const code = codes.get(this.sitting);
    codes.delete(this.sitting);
    return code;
  }

  async renew() {
    try {
      const answer = await this.ask(this.code ? "/turn?handler=token" : "/token", { headers: { "Umbick-Queue": "1" } });
      this.form = answer.ok ? await answer.text() : null;
    } catch {
      this.form = null;
    }
  }

  // What a page does as it is opened: a queue of its own over the same storage.
  open() {
    this.queue = new AnswerQueue({
      scope: this.scope,
      storage: this.storage,
      fetch: (path, options) => this.ask(path, options),
      token: () => this.form,
      renew: () => this.renew(),
      patience: 4000,
      tick: 40,
      settled: (entry, reply) => this.hear(entry.id, reply),
    });
  }

  hear(id, reply) {
    if (reply.outcome === "kept") this.acknowledged.push({ id, at: Date.now() });
    if (reply.outcome === "refused") this.refused.push([id, reply.status]);
    if (reply.outcome === "kept" || reply.outcome === "refused") this.heard?.(reply);
  }

  async submit(path, fields, raw) {
    const id = AnswerQueue.value({ fields }, "answer");
    this.typed.push({
      id,
      raw,
      sitting: AnswerQueue.value({ fields }, "sitting") ?? this.sitting,
      place: Number(AnswerQueue.value({ fields }, "place")),
      at: Date.now(),
    });
    const reply = await this.queue.submit(path, fields, raw);
    this.hear(id, reply);
    return reply;
  }

  // Sends what waits until nothing does, signing in again where that is what it takes.
  async settle() {
    while (this.queue.waiting().length > 0) {
      await this.queue.flush();
      if (this.queue.trouble === "signed-out") await this.signIn();
      await wait(this.queue.pause);
    }
  }

  async mishap() {
    const chance = random();
    if (chance < 0.04) this.open();
    else if (chance < 0.06) this.cookies.clear();
  }

  fields(place, raw, more = []) {
    return [["answer", AnswerQueue.id()], ["place", String(place)], ["raw", raw], ...more];
  }

  time() {
    return `${1 + Math.floor(random() * 12)}:${String(Math.floor(random() * 60)).padStart(2, "0")}`;
  }

  // A list that was made before: the child goes on whether an answer has gone or not.
  async list() {
    for (let place = 1; place <= this.count && !enough; place++) {
      const raw = this.time();
      const fields = this.fields(place, raw, [
        ["try", "1"],
        ["hands", "loose"],
      ]);
      const id = AnswerQueue.value({ fields }, "answer");
      const reply = await this.submit("/turn?handler=answer", fields, raw);
      if (reply.outcome !== "kept" && reply.outcome !== "refused") this.queue.note(id, "later", "true");
      if (reply.outcome === "signed-out") await this.signIn();
      await this.mishap();
      await wait(random() * (this.pace ? 2 * this.pace : 10));
    }
  }

  // Sheets: box after box, and now and then one is typed again.
  async grid() {
    const path = `/classes/${this.screening}/grid?handler=cell`;
    for (const sitting of this.sittings) {
      for (let place = 1; place <= this.count; place++) {
        let corrects = "";
        for (let times = random() < 0.1 ? 2 : 1; times > 0; times--) {
          const raw = this.time();
          const fields = this.fields(place, raw, [
            ["sitting", sitting],
            ["corrects", corrects],
          ]);
          corrects = AnswerQueue.value({ fields }, "answer");
          const reply = await this.submit(path, fields, raw);
          if (reply.outcome === "signed-out") await this.signIn();
        }
        await this.mishap();
        await wait(random() * 5);
      }
    }
  }

  // In conversation the next question comes with the reply: it is waited for, however long it takes.
  async conversation() {
    let place = 1;
    for (let i = 0; i < this.count; i++) {
      const heard = new Promise((resolve) => {
        this.heard = resolve;
      });
      const raw = this.time();
      const reply = await this.submit(`/ask/${this.sitting}?handler=answer`, this.fields(place, raw), raw);
      if (reply.outcome !== "kept") await this.settle();
      const next = (await heard).body.match(/name="place" value="(\d+)"/)?.[1];
      if (!next) return;
      place = Number(next);
    }
  }

  async run() {
    this.open();
    await this.signIn();
    await this[this.kind]();
    await this.settle();
  }
}

const { value } = await lines.next();
const clients = JSON.parse(value).map((who) => new Client(who));
(async () => {
  for await (const line of { [Symbol.asyncIterator]: () => lines }) {
    const { sitting, code, over } = JSON.parse(line);
    if (over) enough = true;
    else codes.set(sitting, code);
  }
})();
await Promise.all(clients.map((client) => client.run()));
say(
  {
    typed: clients.flatMap((client) => client.typed),
    acknowledged: clients.flatMap((client) => client.acknowledged.map(({ id }) => id)),
    heard: clients.flatMap((client) => client.acknowledged),
    refused: clients.flatMap((client) => client.refused.map(([id, status]) => `${id} ${status}`)),
    waiting: clients.flatMap((client) => client.queue.waiting().map((entry) => entry.id)),
  },
  () => process.exit(0),
);
