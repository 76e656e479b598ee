import type { Settings, WordRule } from "../settings/schema";
import type { Stem } from "../text/stem";
import { tokenise } from "../text/tokens";

/** Words on the right of a rule: folded words and their stems, in order. */
export interface PhraseForms {
  text: string;
  words: string[];
  stems: string[];
}

interface RuleUse<T> {
  id: string;
  stems: string[];
  does: T;
}

/** What a synonym rule adds where its left side stands. */
export interface Synonym {
  rule: string;
  left: PhraseForms;
  right: PhraseForms[];
  quality: number;
}

/** Looks up rules by the stems of the words they start with, longest left side first. */
export class PhraseTable<T> {
  private readonly byFirst = new Map<string, RuleUse<T>[]>();

  add(id: string, stems: string[], does: T): void {
    if (stems.length === 0) return;
    const uses = this.byFirst.get(stems[0]);
    if (uses) uses.push({ id, stems, does });
    else this.byFirst.set(stems[0], [{ id, stems, does }]);
  }

  sort(): void {
    for (const uses of this.byFirst.values()) uses.sort((a, b) => b.stems.length - a.stems.length || (a.id < b.id ? -1 : 1));
  }

  get isEmpty(): boolean {
    return this.byFirst.size === 0;
  }

  /** All rules of the longest left side that stands at a place. */
  longestAt(stems: readonly string[], at: number): RuleUse<T>[] {
    const uses = this.byFirst.get(stems[at]);
    if (!uses) return [];
    const first = uses.find((use) => use.stems.every((stem, i) => stems[at + i] === stem));
    if (!first) return [];
    return uses.filter((use) => use.stems.length === first.stems.length && use.stems.every((stem, i) => stems[at + i] === stem));
  }
}

export interface PreparedWords {
  synonyms: PhraseTable<Synonym>;
  ignored: PhraseTable<true>;
  together: PhraseTable<true>;
  read: PhraseTable<string>;
  pointers: PhraseTable<Extract<WordRule, { does: "stand" }>>;
  literal: Set<string>;
  neverOffered: Set<string>;
}

export function phraseForms(text: string, stem: Stem): PhraseForms {
  const tokens = tokenise(text);
  return { text, words: tokens.map((token) => token.word), stems: tokens.map((token) => stem(token.surface)) };
}

export function prepareWords(rules: Settings["words"], stem: Stem): PreparedWords {
  const prepared: PreparedWords = {
    synonyms: new PhraseTable(),
    ignored: new PhraseTable(),
    together: new PhraseTable(),
    read: new PhraseTable(),
    pointers: new PhraseTable(),
    literal: new Set(),
    neverOffered: new Set(),
  };
  for (const [id, rule] of Object.entries(rules)) if (rule.on) addRule(prepared, id, rule, stem);
  for (const table of [prepared.synonyms, prepared.ignored, prepared.together, prepared.read, prepared.pointers]) table.sort();
  return prepared;
}

function addRule(prepared: PreparedWords, id: string, rule: WordRule, stem: Stem): void {
  const left = rule.words.map((text) => phraseForms(text, stem)).filter((forms) => forms.words.length > 0);
  switch (rule.does) {
    case "same":
      for (const one of left) {
        const right = left.filter((other) => other.text !== one.text);
        prepared.synonyms.add(id, one.stems, { rule: id, left: one, right, quality: rule.quality });
      }
      break;
    case "also": {
      const right = rule.to.map((text) => phraseForms(text, stem)).filter((forms) => forms.words.length > 0);
      for (const one of left) prepared.synonyms.add(id, one.stems, { rule: id, left: one, right, quality: rule.quality });
      break;
    }
    case "ignore":
      for (const one of left) prepared.ignored.add(id, one.stems, true);
      break;
    case "together":
      for (const one of left) prepared.together.add(id, one.stems, true);
      break;
    case "literal":
      for (const one of left) for (const word of one.words) prepared.literal.add(word);
      break;
    case "read":
      // Misspellings are compared as written, not by stem.
      for (const one of left) prepared.read.add(id, one.words, rule.to[0]);
      break;
    case "stand":
      for (const one of left) prepared.pointers.add(id, one.stems, rule);
      break;
    case "never-offer":
      for (const one of left) for (const word of one.words) prepared.neverOffered.add(word);
      break;
  }
}
