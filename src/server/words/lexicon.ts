import { existsSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { asTask } from "../task";
import { resultOf } from "../yielding";

const FILES = join(import.meta.dirname, "..", "lexicon");
type Lexicon = (word: string) => readonly (readonly string[])[];
const known = new Map<string, Promise<Lexicon | null>>();

/** The senses of a word, each as the other words for it, for a language that a lexicon was built for; read when it is first asked for, for all who will. */
export function lexiconFor(locale: string): Promise<Lexicon | null> {
  const language = locale.split("-")[0];
  let lexicon = known.get(language);
  if (!lexicon) {
    const file = join(FILES, `${language}.txt`);
    lexicon = existsSync(file)
      ? asTask(undefined, () => readFile(file, "utf8").then((text) => resultOf(readLexicon(text))))
      : Promise.resolve(null);
    known.set(language, lexicon);
  }
  return lexicon;
}

function* readLexicon(text: string): Generator<void, Lexicon> {
  const sets = text.split("\n");
  const places = new Map<string, number[]>();
  for (const [i, set] of sets.entries()) {
    for (const word of set.split("\t")) {
      const own = places.get(word);
      if (own) own.push(i);
      else places.set(word, [i]);
    }
    if (i % STEP === 0) yield;
  }
  return (word) => {
    const found = places.get(word) ?? places.get(word.replace(/s$/, "")) ?? [];
    return found.map((place) => sets[place].split("\t").filter((other) => other !== word));
  };
}

/** Sets that are read in one go. */
const STEP = 1_000;
