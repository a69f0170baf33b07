// Answers on their way. Each is in the browser's storage before it is sent, and stays there until a reply names it: kept, or refused.
// Anything else (no network, a hanging request, another page, a fault at the other end) is tried again. It knows no page: what it is
// made of is given to it, so that it runs outside a browser too.
globalThis.AnswerQueue = class AnswerQueue {
  #prefix;
  #storage;
  #fetch;
  #token;
  #renew;
  #patience;
  #tick;
  #changed;
  #settled;
  #reasonIn;
  #running = null;
  #again = false;
  #count = 0;
  #failures = 0;
  #held = false;
  #stop = null;
  #unstored = new Map();
  #awaited = new Map();

  // scope: whose answers they are. token: the page's form key; renew: fetches a fresh one. changed: told after every change.
  // settled: told of an answer that was kept or refused while nobody waited for its reply.
  // patience: how long a reply may take; tick: how long to wait after a first failure, both in milliseconds. reasonIn: reads out of the
  // reply why an answer was refused.
  constructor({
    scope,
    storage,
    fetch,
    token,
    renew,
    patience = 6000,
    tick = 1000,
    changed = () => {},
    settled = () => {},
    reasonIn = () => "",
  }) {
    this.#prefix = `umbick.answer:${scope}:`;
    [this.#storage, this.#fetch, this.#token, this.#renew] = [storage, fetch, token, renew];
    [this.#patience, this.#tick, this.#changed, this.#settled, this.#reasonIn] = [patience, tick, changed, settled, reasonIn];
    this.trouble = null;
  }

  static id() {
    if (globalThis.crypto.randomUUID) return crypto.randomUUID();
    const bytes = crypto.getRandomValues(new Uint8Array(16));
    bytes[6] = (bytes[6] & 0x0f) | 0x40;
    bytes[8] = (bytes[8] & 0x3f) | 0x80;
    return [...bytes].map((byte, i) => ([4, 6, 8, 10].includes(i) ? "-" : "") + byte.toString(16).padStart(2, "0")).join("");
  }

  static value(entry, name) {
    return entry.fields.find(([field]) => field === name)?.[1];
  }

  // How many answers of somebody else wait in this browser, each named by whose it is.
  static others(storage, scope) {
    const mine = `umbick.answer:${scope}:`;
    return AnswerQueue.#keys(storage).filter((key) => !key.startsWith(mine)).length;
  }

  static #keys(storage) {
    try {
      return Array.from({ length: storage.length }, (_, i) => storage.key(i)).filter((key) => key?.startsWith("umbick.answer:"));
    } catch {
      return [];
    }
  }

  // Everything of this scope, in the order in which it was given.
  entries() {
    const stored = AnswerQueue.#keys(this.#storage)
      .filter((key) => key.startsWith(this.#prefix))
      .map((key) => this.#read(key))
      .filter(Boolean);
    return [...stored, ...this.#unstored.values()].sort((a, b) => a.at - b.at || a.count - b.count);
  }

  waiting() {
    return this.entries().filter((entry) => !entry.refused);
  }

  refused() {
    return this.entries().filter((entry) => entry.refused);
  }

  // Whether what waits outlives this page.
  get isSafe() {
    return this.#unstored.size === 0;
  }

  // How long to wait before it is tried again, in milliseconds.
  get pause() {
    return this.#tick * Math.min(8, 2 ** Math.max(0, this.#failures - 1));
  }

  // Keeps an answer and sends it. The promise tells what became of the first try: { outcome, body, pushed }.
  submit(path, fields, said = "") {
    const id = AnswerQueue.value({ fields }, "answer");
    const before = this.entries().find((entry) => entry.id === id);
    if (!before) this.#write({ id, path, fields, said, at: Date.now(), count: this.#count++ });
    const heard = new Promise((resolve) => this.#awaited.set(id, resolve));
    this.#changed(this);
    this.flush();
    return heard;
  }

  // Notes something more of an answer that waits.
  note(id, name, value) {
    const entry = this.entries().find((waiting) => waiting.id === id);
    if (entry) this.#write({ ...entry, fields: [...entry.fields.filter(([field]) => field !== name), [name, value]] });
  }

  // Whoever gave it has seen why it was refused.
  dismiss(id) {
    this.#forget(id);
    this.#changed(this);
  }

  // A page that is being left lets its answers be: the next one sends them, and hears of it.
  hold(held) {
    this.#held = held;
    if (held) this.#stop?.abort();
  }

  // Sends what waits, one after the other.
  flush() {
    if (this.#running) {
      this.#again = true;
      return this.#running;
    }
    this.#running = this.#rounds().finally(() => {
      this.#running = null;
      this.#changed(this);
    });
    return this.#running;
  }

  async #rounds() {
    do {
      this.#again = false;
      const blocked = new Set();
      for (const { id } of this.waiting()) {
        const entry = this.entries().find((waiting) => waiting.id === id && !waiting.refused);
        if (!entry) continue;
        if (this.#held) break;
        // What puts an answer right goes after it.
        const place = `${AnswerQueue.value(entry, "sitting") ?? ""} ${AnswerQueue.value(entry, "place") ?? ""}`;
        if (blocked.has(place)) continue;
        const reply = await this.#send(entry);
        this.#hear(entry, reply);
        if (reply.outcome === "kept" || reply.outcome === "refused") continue;
        blocked.add(place);
        // Without a network, or signed out, nothing else would go either.
        if (reply.outcome !== "failed") break;
      }
    } while (this.#again && !this.trouble);
    for (const [id, heard] of this.#awaited) {
      this.#awaited.delete(id);
      heard({ outcome: this.trouble ?? "lost", body: "" });
    }
  }

  #hear(entry, reply) {
    const done = reply.outcome === "kept" || reply.outcome === "refused";
    this.trouble = done ? null : reply.outcome;
    this.#failures = done ? 0 : this.#failures + 1;
    if (reply.outcome === "kept") this.#forget(entry.id);
    if (reply.outcome === "refused") this.#write({ ...entry, refused: true, reason: this.#reasonIn(reply.body) });
    const heard = this.#awaited.get(entry.id);
    this.#awaited.delete(entry.id);
    if (heard) heard(reply);
    else if (done) this.#settled(entry, reply);
    this.#changed(this);
  }

  async #send(entry) {
    // No form takes a U+0000; it is kept as the mark for what cannot be shown.
    const body = new URLSearchParams(entry.fields.map(([name, value]) => [name, String(value).replaceAll("\0", "\ufffd")]));
    body.set("waited", String(Math.max(0, Date.now() - entry.at)));
    const token = this.#token();
    if (token) body.set("__RequestVerificationToken", token);
    const stop = new AbortController();
    this.#stop = stop;
    const timer = setTimeout(() => stop.abort(), this.#patience);
    try {
      const answer = await this.#fetch(entry.path, {
        method: "POST",
        body,
        redirect: "manual",
        signal: stop.signal,
        headers: { "HX-Request": "true", "Umbick-Queue": "1" },
      });
      const text = await answer.text();
      const [outcome, id, status] = (answer.headers.get("Umbick-Answer") ?? "").split(" ");
      if ((outcome === "kept" || outcome === "refused") && id === entry.id)
        return { outcome, body: text, status: Number(status ?? answer.status), pushed: answer.headers.get("HX-Push-Url") };
      // Somebody else is signed in by now, or the same person again: the page's form key has grown old.
      if (answer.status === 400) await this.#renew();
      return { outcome: answer.status === 401 ? "signed-out" : "failed", body: "" };
    } catch {
      return { outcome: stop.signal.aborted ? "slow" : "lost", body: "" };
    } finally {
      clearTimeout(timer);
    }
  }

  #read(key) {
    try {
      const entry = JSON.parse(this.#storage.getItem(key));
      return entry && Array.isArray(entry.fields) ? entry : null;
    } catch {
      return null;
    }
  }

  #write(entry) {
    try {
      this.#storage.setItem(this.#prefix + entry.id, JSON.stringify(entry));
      this.#unstored.delete(entry.id);
    } catch {
      // A browser that stores nothing: it is kept for as long as the page is open, and that is told.
      this.#unstored.set(entry.id, entry);
    }
  }

  #forget(id) {
    this.#unstored.delete(id);
    try {
      this.#storage.removeItem(this.#prefix + id);
    } catch {
      /* what cannot be stored cannot be left over */
    }
  }
};
