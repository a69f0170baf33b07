// The hands of a clock, by keys and by numbers: where they go, and what is sent of them.
import test from "node:test";
import assert from "node:assert/strict";
import { readFileSync } from "node:fs";
import { JSDOM } from "jsdom";

const script = readFileSync(new URL("../../src/Umbick.Web/wwwroot/js/hands.js", import.meta.url), "utf8");

function board({ hour = 3, minute = 0, geared = "no" } = {}) {
  const { window } = new JSDOM(
    `<svg data-hands data-geared="${geared}" data-hour-reach="50">
        <path data-hand="hour" aria-valuenow="${hour}"></path>
        <path data-hand="minute" aria-valuenow="${minute}"></path></svg>
     <input type="hidden" data-hand-value="hour" disabled><input type="hidden" data-hand-value="minute" disabled>
      <input data-put="hour"><input data-put="minute">`,
    { runScripts: "outside-only" },
  );
  window.eval(script);
  const { document } = window;
  const hand = (name) => document.querySelector(`[data-hand="${name}"]`);
  return {
    key: (name, key, shiftKey = false) =>
      hand(name).dispatchEvent(new window.KeyboardEvent("keydown", { key, shiftKey, bubbles: true, cancelable: true })),
    put: (name, text) => {
      const field = document.querySelector(`[data-put="${name}"]`);
      field.value = text;
      field.dispatchEvent(new window.Event("input", { bubbles: true }));
    },
    at: (name) => Number(hand(name).getAttribute("aria-valuenow")),
    said: (name) => hand(name).getAttribute("aria-valuetext"),
    sent: (name) => {
      const field = document.querySelector(`[data-hand-value="${name}"]`);
      return field.disabled ? null : field.value;
    },
  };
}

const rows = [
  // hand, from, key, shift, to
  ["minute", 0, "ArrowRight", false, 1],
  ["minute", 0, "ArrowLeft", false, 59],
  ["minute", 59, "ArrowUp", false, 0],
  ["minute", 55, "PageUp", false, 0],
  ["minute", 10, "ArrowRight", true, 10.2],
  ["minute", 37, "Home", false, 0],
  ["hour", 0, "ArrowLeft", false, 11.95],
  ["hour", 11.5, "PageUp", false, 0.5],
  ["hour", 7, " ", false, 7],
];
for (const [name, from, key, shift, to] of rows)
  test(`the ${name} hand at ${from}, ${shift ? "Shift and " : ""}${key}: ${to}`, () => {
    const made = board({ [name]: from });
    made.key(name, key, shift);
    assert.ok(Math.abs(made.at(name) - to) < 0.005, `${made.at(name)}`);
    assert.ok(Math.abs(Number(made.sent(name)) - to) < 0.011);
  });

test("a hand that nobody touched is not sent; one that is touched where it is, is", () => {
  const made = board();
  made.key("minute", " ");
  assert.deepEqual([made.sent("hour"), made.sent("minute")], [null, "0.00"]);
});

test("a key that moves nothing changes nothing", () => {
  const made = board();
  made.key("minute", "a");
  made.key("minute", "Tab");
  assert.deepEqual([made.at("minute"), made.sent("minute")], [0, null]);
});

const numbers = [
  ["7,5", 7.5],
  ["7.5", 7.5],
  ["0", 0],
  ["12", 0],
  ["13", 3],
  ["-1", 3],
  ["", 3],
  ["x", 3],
];
for (const [text, to] of numbers)
  test(`the hour hand put at “${text}”: ${to}`, () => {
    const made = board();
    made.put("hour", text);
    assert.equal(made.at("hour"), to);
  });

test("hands that go together never drift apart, in twelve hours of minutes either way", () => {
  for (const key of ["ArrowRight", "ArrowLeft"]) {
    const made = board({ hour: 12, minute: 0, geared: "yes" });
    for (let i = 0; i < 720; i++) {
      made.key("minute", key);
      const off = Math.abs((made.at("hour") % 1) - made.at("minute") / 60);
      assert.ok(Math.min(off, 1 - off) < 0.002, `${i}: ${made.at("hour")} with ${made.at("minute")}`);
    }
    assert.ok(
      [made.at("hour"), made.at("minute")].every((at) => at < 0.01),
      `${made.at("hour")}`,
    );
  }
});

test("where a hand points is said by the numerals beside it", () => {
  const made = board({ hour: 11.5, minute: 30 });
  made.key("hour", " ");
  made.key("minute", " ");
  assert.deepEqual([made.said("hour"), made.said("minute")], ["between 11 and 12", "at 6"]);
});
