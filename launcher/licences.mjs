// What a package is made of and under which licences: libraries by what the built programs say that they load, scripts and fonts by
// package.json. The texts of the fonts' licences stand in full: they ask for it.
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { homedir } from "node:os";
import { join } from "node:path";

const [, , stage] = process.argv;
const packages = process.env.NUGET_PACKAGES ?? join(homedir(), ".nuget/packages");
const programs = ["publish/Umbick.Web/release", "bin/Umbick.Cli/release", "bin/Umbick.Planner/release"].map((path) =>
  join(stage, "artifacts", path),
);

const libraries = new Set();
for (const folder of programs)
  for (const file of readdirSync(folder).filter((name) => name.endsWith(".deps.json")))
    for (const [name, { type }] of Object.entries(JSON.parse(readFileSync(join(folder, file), "utf8")).libraries))
      if (type === "package") libraries.add(name);

function licenceOf(library) {
  const [name, version] = library.toLowerCase().split("/");
  const spec = join(packages, name, version, `${name}.nuspec`);
  if (!existsSync(spec)) return "see its package";
  const text = readFileSync(spec, "utf8");
  return (
    text.match(/<license type="expression">([^<]+)</)?.[1] ??
    text.match(/<licenseUrl>([^<]+)</)?.[1] ??
    (text.includes("<license ") ? "the licence file of its package" : "see its package")
  );
}

console.log("# What this package is made of\n\nThe runtime in `runtime/` has its licence and notices beside it.\n\n## Libraries\n");
for (const library of [...libraries].sort()) console.log(`- ${library.replace("/", " ")}: ${licenceOf(library)}`);

console.log("\n## Scripts, styles and fonts\n");
const { dependencies = {}, devDependencies = {} } = JSON.parse(readFileSync("package.json", "utf8"));
const texts = [];
// What only checks or tests them is not handed over.
for (const name of Object.keys({ ...dependencies, ...devDependencies })
  .filter((each) => /font|htmx|jsqr|tailwindcss/.test(each))
  .sort()) {
  const folder = join("node_modules", name);
  const { version, license } = JSON.parse(readFileSync(join(folder, "package.json"), "utf8"));
  console.log(`- ${name} ${version}: ${license}`);
  if (!/font/.test(name)) continue;
  for (const file of readdirSync(folder).filter((each) => /^licen[cs]e/i.test(each)))
    texts.push(`## The licence of ${name}\n\n${readFileSync(join(folder, file), "utf8").trim()}`);
}
console.log(`\n${texts.join("\n\n")}`);
