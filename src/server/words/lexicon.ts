import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";

const FILES = join(import.meta.dirname, "..", "lexicon");
const known = new Map<string, ((word: string) => readonly (readonly string[])[]) | null>();

/** The senses of a word, each as the other words for it, for a language that a lexicon was built for; read when it is first asked for. */
export function lexiconFor(locale: string): ((word: string) => readonly (readonly string[])[]) | null {
  const language = locale.split("-")[0];
  let lexicon = known.get(language);
  if (lexicon === undefined) {
    const file = join(FILES, `${language}.txt`);
    lexicon = existsSync(file) ? readLexicon(readFileSync(file, "utf8")) : null;
    known.set(language, lexicon);
  }
  return lexicon;
}

function readLexicon(text: string): (word: string) => readonly (readonly string[])[] {
  const sets = text.split("\n");
  const places = new Map<string, number[]>();
  sets.forEach((set, i) => {
    for (const word of set.split("\t")) {
      const own = places.get(word);
      if (own) own.push(i);
      else places.set(word, [i]);
    }
  });
  return (word) => {
    const found = places.get(word) ?? places.get(word.replace(/s$/, "")) ?? [];
    return found.map((place) => sets[place].split("\t").filter((other) => other !== word));
  };
}
