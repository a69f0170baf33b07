// Copies the typefaces of the pages, named by the version that they are of: a browser keeps them for good.
import { copyFileSync, readdirSync, readFileSync, rmSync } from "node:fs";

const built = "src/Umbick.Web/wwwroot/built";
for (const old of readdirSync(built)) if (old.endsWith(".woff2")) rmSync(`${built}/${old}`);
for (const typeface of ["andika", "atkinson-hyperlegible"]) {
  const from = `node_modules/@fontsource/${typeface}`;
  const { version } = JSON.parse(readFileSync(`${from}/package.json`));
  for (const weight of [400, 700])
    copyFileSync(`${from}/files/${typeface}-latin-${weight}-normal.woff2`, `${built}/${typeface}-${version}-latin-${weight}.woff2`);
}
