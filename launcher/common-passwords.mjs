// Writes the list of passwords that are refused: the common ones, and the commonest doubled or followed by the usual figures, as far as
// they are long enough to be allowed at all.
import { mkdirSync, writeFileSync } from "node:fs";
import { dictionary } from "@zxcvbn-ts/language-common";

const shortest = 12;
const commonest = 2000;
const endings = ["1", "12", "123", "1234", "12345", "123456", "1234567890", "!", "1!", "123!", "2024", "2025", "2026", "2027"];

const common = dictionary["passwords-common"].map((word) => word.toLowerCase());
const made = common
  .slice(0, commonest)
  .flatMap((word) => [
    word + word,
    word + word + word,
    ...endings.map((ending) => word + ending),
    ...endings.map((ending) => word + word + ending),
  ]);
const list = [...new Set([...common, ...made])].filter((word) => [...word].length >= shortest).sort();

mkdirSync("src/Umbick.Casework/Accounts/built", { recursive: true });
writeFileSync("src/Umbick.Casework/Accounts/built/common-passwords.txt", `${list.join("\n")}\n`);
