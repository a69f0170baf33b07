// Says whether a child's record is as its published schema has it: check-record.mjs SCHEMA RECORD. Exit code 1, with what is wrong, where
// it is not.
import { readFileSync } from "node:fs";
import Ajv from "ajv/dist/2020.js";

const [schema, record] = process.argv.slice(2).map((path) => JSON.parse(readFileSync(path, "utf8")));
// What a moment and an id look like is the database's to say; here it is names and kinds.
const check = new Ajv({ validateFormats: false, allErrors: true }).compile(schema);
if (!check(record)) {
  console.error(JSON.stringify(check.errors.slice(0, 5)));
  process.exit(1);
}
