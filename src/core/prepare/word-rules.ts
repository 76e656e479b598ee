import type { Settings, WordRule } from "../settings/schema";
import type { Stem } from "../text/stem";
import { type PhraseForms, PhraseTable, phraseForms } from "./phrases";

/** What a synonym rule adds where its left side stands. */
export interface Synonym {
  rule: string;
  left: PhraseForms;
  right: PhraseForms[];
  quality: number;
}

export interface PreparedWords {
  synonyms: PhraseTable<Synonym>;
  /** Rules of one way, read against it: only tried where nothing is found. */
  against: PhraseTable<Synonym>;
  ignored: PhraseTable<true>;
  phrases: PhraseTable<true>;
  rewrites: PhraseTable<string>;
  intents: PhraseTable<Extract<WordRule, { does: "intent" }>>;
  literal: Set<string>;
  neverOffered: Set<string>;
}

export function prepareWords(rules: Settings["words"], stem: Stem): PreparedWords {
  const prepared: PreparedWords = {
    synonyms: new PhraseTable(),
    against: new PhraseTable(),
    ignored: new PhraseTable(),
    phrases: new PhraseTable(),
    rewrites: new PhraseTable(),
    intents: new PhraseTable(),
    literal: new Set(),
    neverOffered: new Set(),
  };
  for (const [id, rule] of Object.entries(rules)) if (rule.on) addRule(prepared, id, rule, stem);
  for (const table of [prepared.synonyms, prepared.against, prepared.ignored, prepared.phrases, prepared.rewrites, prepared.intents])
    table.sort();
  return prepared;
}

function addRule(prepared: PreparedWords, id: string, rule: WordRule, stem: Stem): void {
  const left = rule.words.map((text) => phraseForms(text, stem)).filter((forms) => forms.words.length > 0);
  switch (rule.does) {
    case "synonym":
      for (const one of left) {
        const right = left.filter((other) => other.text !== one.text);
        prepared.synonyms.add(id, one.stems, { rule: id, left: one, right, quality: rule.quality });
      }
      break;
    case "one-way": {
      const right = rule.to.map((text) => phraseForms(text, stem)).filter((forms) => forms.words.length > 0);
      for (const one of left) prepared.synonyms.add(id, one.stems, { rule: id, left: one, right, quality: rule.quality });
      for (const one of right) prepared.against.add(id, one.stems, { rule: id, left: one, right: left, quality: rule.quality });
      break;
    }
    case "ignore":
      for (const one of left) prepared.ignored.add(id, one.stems, true);
      break;
    case "phrase":
      for (const one of left) prepared.phrases.add(id, one.stems, true);
      break;
    case "literal":
      for (const one of left) for (const word of one.words) prepared.literal.add(word);
      break;
    case "rewrite":
      // Misspellings are compared as written, not by stem.
      for (const one of left) prepared.rewrites.add(id, one.words, rule.to[0]);
      break;
    case "intent":
      for (const one of left) prepared.intents.add(id, one.stems, rule);
      break;
    case "never-offer":
      for (const one of left) for (const word of one.words) prepared.neverOffered.add(word);
      break;
  }
}
