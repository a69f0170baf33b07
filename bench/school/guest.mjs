// Somebody at a site over TLS without a browser: pages are fetched, forms are sent as they stand. The site is on this machine, under the
// name of its certificate.
import { readFileSync } from "node:fs";
import { request } from "node:https";
import { randomUUID } from "node:crypto";
import { JSDOM } from "jsdom";

export class Guest {
  #cookies = new Map();
  #to;

  constructor({ host, port, certificate }) {
    this.#to = { host: "127.0.0.1", port, servername: host, ca: readFileSync(certificate), name: `${host}:${port}` };
  }

  get(path) {
    return this.#request("GET", path);
  }

  async page(path) {
    const answer = await this.get(path);
    if (answer.status !== 200) throw new Error(`${path}: ${answer.status}`);
    return answer.page;
  }

  /// Fills the form on a page whose press says this, and sends it; where that leads is fetched.
  async send(path, press, values = {}) {
    const { action, fields } = this.#form(await this.page(path), path, press);
    Object.assign(fields, values);
    return this.#posted(action, fields);
  }

  async signIn(userName, password) {
    await this.send("/", "Sign in", { userName, password });
    if ((await this.get("/day")).status !== 200) throw new Error(`${userName} is not in`);
  }

  /// Asks a child in conversation.
  async ask(child, answers) {
    let page = await this.send(`/ask/begin/${child}`, "Begin");
    for (const raw of answers) {
      const form = page.querySelector("[data-answer-form]");
      const fields = this.#fields(form);
      page = await this.#posted(form.getAttribute("action"), { ...fields, raw });
    }
    if (!page.querySelector("[data-over]")) throw new Error("the sitting is not over");
  }

  /// Gives a child a set for a pattern.
  async makeSet(child, pattern) {
    const path = `/practise/new/${child}?pattern=${pattern}`;
    const page = await this.page(path);
    const form = [...page.querySelectorAll("form button")].find((button) => button.textContent.startsWith("Give"))?.form;
    await this.#posted(form.getAttribute("action") || path, {
      ...this.#fields(form),
      set: form.querySelector("[name=set]")?.value || randomUUID(),
    });
  }

  #form(page, path, press) {
    const form = [...page.querySelectorAll("form button")].find((button) => button.textContent.includes(press))?.form;
    if (!form) throw new Error(`no press “${press}” on ${path}: ${page.body.textContent.replace(/\s+/g, " ").slice(0, 300)}`);
    return { action: form.getAttribute("action") || path, fields: this.#fields(form) };
  }

  #fields(form) {
    return Object.fromEntries([...new form.ownerDocument.defaultView.FormData(form)]);
  }

  async #posted(path, fields) {
    const answer = await this.#request("POST", path, new URLSearchParams(fields).toString());
    if (answer.status === 302) return this.page(answer.location);
    if (answer.status !== 200)
      throw new Error(`POST ${path}: ${answer.status} ${answer.page.body.textContent.replace(/\s+/g, " ").slice(0, 300)}`);
    return answer.page;
  }

  #request(method, path, body) {
    const headers = { Host: this.#to.name, Cookie: [...this.#cookies].map(([name, value]) => `${name}=${value}`).join("; ") };
    if (body !== undefined)
      Object.assign(headers, { "Content-Type": "application/x-www-form-urlencoded", "Content-Length": Buffer.byteLength(body) });
    return new Promise((answered, failed) => {
      const sent = request({ ...this.#to, method, path, headers }, (answer) => {
        let text = "";
        for (const cookie of answer.headers["set-cookie"] ?? []) {
          const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie);
          if (value) this.#cookies.set(name, value);
          else this.#cookies.delete(name);
        }
        answer.setEncoding("utf8");
        answer.on("data", (part) => {
          text += part;
        });
        answer.on("end", () =>
          answered({ status: answer.statusCode, location: answer.headers.location, page: new JSDOM(text).window.document }),
        );
      });
      sent.on("error", failed);
      sent.end(body);
    });
  }
}
