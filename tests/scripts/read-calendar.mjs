// Reads a calendar from standard input with a parser of another make, and tells its entries as JSON: what, when, until.
import ICAL from "ical.js";

let text = "";
for await (const part of process.stdin) text += part;
const calendar = new ICAL.Component(ICAL.parse(text));
const entries = calendar.getAllSubcomponents("vevent").map((part) => {
  const event = new ICAL.Event(part);
  return {
    uid: event.uid,
    summary: event.summary,
    start: event.startDate.toJSDate().toISOString(),
    end: event.endDate.toJSDate().toISOString(),
    names: part.getAllProperties().map((property) => property.name),
  };
});
console.log(JSON.stringify(entries));
