// The queue of answers, outside a browser: what is lost, late, doubled or answered by somebody else.
import test from "node:test";
import assert from "node:assert/strict";
import "../../src/Umbick.Web/wwwroot/js/answer-queue.js";

const { AnswerQueue } = globalThis;

// Storage as a browser has it, with room for so many entries.
function storage(room = Infinity) {
  const kept = new Map();
  return {
    get length() {
      return kept.size;
    },
    key: (i) => [...kept.keys()][i] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => {
      if (kept.size >= room) throw new Error("full");
      kept.set(key, value);
    },
    removeItem: (key) => kept.delete(key),
  };
}

const reply = (outcome, id, { status = 200, body = "" } = {}) => ({
  status,
  text: async () => body,
  headers: new Headers(outcome ? { "Umbick-Answer": `${outcome} ${id}` } : {}),
});

// A server that answers each request by the next of these, and remembers what it was sent.
function queue(replies, { room, scope = "one", store = storage(room), patience = 20 } = {}) {
  const sent = [];
  const settled = [];
  let renewed = 0;
  const made = new AnswerQueue({
    scope,
    storage: store,
    patience,
    tick: 1,
    token: () => "t",
    renew: async () => {
      renewed++;
    },
    settled: (entry, heard) => settled.push([entry.id, heard.outcome]),
    reasonIn: (body) => body,
    fetch: async (path, { body, signal }) => {
      sent.push(body.get("answer"));
      return (
        replies.shift() ??
        (() => {
          throw new Error("no network");
        })
      )(body.get("answer"), signal);
    },
  });
  return {
    made,
    sent,
    settled,
    store,
    get renewed() {
      return renewed;
    },
  };
}

const kept = (id) => reply("kept", id);
const lost = () => {
  throw new TypeError("network");
};
// A person's next press comes after the page has come to rest.
async function submit(made, id, place = "1") {
  const heard = await made.submit("/turn", [
    ["answer", id],
    ["place", place],
    ["raw", "4:00"],
  ]);
  await new Promise(setImmediate);
  return heard;
}

test("an answer that is kept is gone from the device", async () => {
  const { made, store } = queue([kept]);
  assert.equal((await submit(made, "a")).outcome, "kept");
  assert.equal(store.length, 0);
});

test("a lost reply leaves the answer waiting, and it is sent again under its own id", async () => {
  const { made, sent, settled } = queue([lost, kept]);
  assert.equal((await submit(made, "a")).outcome, "lost");
  assert.equal(made.waiting().length, 1);
  await made.flush();
  assert.deepEqual([sent, settled, made.waiting()], [["a", "a"], [["a", "kept"]], []]);
});

test("a reply that names another answer, or none, keeps nothing", async () => {
  const { made } = queue([() => reply("kept", "somebody-else"), () => reply(null)]);
  assert.equal((await submit(made, "a")).outcome, "failed");
  await made.flush();
  assert.equal(made.waiting().length, 1);
});

test("a request that hangs is given up, and told as slow", async () => {
  const hang = (id, signal) => new Promise((_, no) => signal.addEventListener("abort", () => no(new Error("aborted"))));
  const { made } = queue([hang]);
  assert.equal((await submit(made, "a")).outcome, "slow");
});

test("what is refused is not sent again, and its reason is kept until it has been seen", async () => {
  const { made, sent } = queue([(id) => reply("refused", id, { status: 409, body: "It came second." })]);
  await submit(made, "a");
  await made.flush();
  assert.deepEqual([sent, made.refused().map((entry) => entry.reason)], [["a"], ["It came second."]]);
  made.dismiss("a");
  assert.equal(made.entries().length, 0);
});

test("two answers of one place go in their order, also where the first fails", async () => {
  const { made, sent } = queue([() => reply(null, "", { status: 500 }), kept, kept, kept]);
  await submit(made, "a", "1");
  await submit(made, "b", "1");
  await made.flush();
  assert.deepEqual(
    sent.filter((id, i) => sent.indexOf(id) === i),
    ["a", "b"],
  );
  assert.equal(made.waiting().length, 0);
});

test("a form key that has grown old is fetched anew, once for each refusal", async () => {
  const all = queue([() => reply(null, "", { status: 400 }), kept]);
  await submit(all.made, "a");
  await all.made.flush();
  assert.deepEqual([all.renewed, all.made.waiting()], [1, []]);
});

test("another child's answers on the same device are neither shown nor sent", async () => {
  const store = storage();
  await submit(queue([lost], { scope: "one", store }).made, "a");
  const other = queue([kept], { scope: "two", store });
  await other.made.flush();
  assert.deepEqual([other.sent, other.made.entries(), AnswerQueue.others(store, "two")], [[], [], 1]);
});

test("a device that stores nothing keeps it while the page is open, and says so", async () => {
  const { made } = queue([lost, kept], { room: 0 });
  await submit(made, "a");
  assert.equal(made.isSafe, false);
  await made.flush();
  assert.deepEqual([made.isSafe, made.waiting()], [true, []]);
});

test("any order of losses ends with each answer kept once, in the order given", async () => {
  for (let seed = 1; seed <= 50; seed++) {
    let state = seed;
    const chance = () => {
      state = (state * 1103515245 + 12345) % 2147483648;
      return state / 2147483648;
    };
    const server = [];
    const all = queue([], {});
    const { made } = queue(
      Array.from({ length: 400 }, () => (id) => {
        if (chance() < 0.3) return lost();
        if (!server.includes(id)) server.push(id);
        // The reply is lost after the answer was kept.
        if (chance() < 0.3) return lost();
        return kept(id);
      }),
      { store: all.store },
    );
    for (let i = 0; i < 6; i++) await submit(made, `${i}`, `${i}`);
    for (let i = 0; i < 60 && made.waiting().length > 0; i++) await made.flush();
    assert.deepEqual(server, ["0", "1", "2", "3", "4", "5"], `seed ${seed}`);
  }
});
