// Each planted fault can still be planted: what it takes away stands in its file, once, and the tests that should catch it are there.
import test from "node:test";
import assert from "node:assert/strict";
import { existsSync, readFileSync, readdirSync } from "node:fs";

const faults = JSON.parse(readFileSync("bench/faults/faults.json", "utf8"));
const tests = readdirSync("tests", { recursive: true })
  .filter((file) => file.endsWith(".cs") && !file.includes("obj"))
  .map((file) => readFileSync(`tests/${file}`, "utf8"))
  .join("\n");

test("what a planted fault takes away stands in its file", () => {
  for (const { fault, file, from } of faults) {
    assert.ok(existsSync(file), `${fault}: ${file}`);
    assert.ok(readFileSync(file, "utf8").includes(from), `${fault}: ${from}`);
  }
});

test("the tests that should catch a planted fault are there", () => {
  for (const { fault, classes } of faults)
    for (const name of classes) assert.match(tests, new RegExp(`class ${name}\\b`), `${fault}: ${name}`);
});
