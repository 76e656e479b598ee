import type { Stem } from "../text/stem";
import { tokenise } from "../text/tokens";

/** Words of a phrase, folded, and their stems, in order. */
export interface PhraseForms {
  text: string;
  words: string[];
  stems: string[];
}

export function phraseForms(text: string, stem: Stem): PhraseForms {
  const tokens = tokenise(text);
  return { text, words: tokens.map((token) => token.word), stems: tokens.map((token) => stem(token.surface)) };
}

interface PhraseUse<T> {
  id: string;
  stems: string[];
  does: T;
}

/** Looks up what phrases mean by the stems of the words they start with, the longest phrase first. */
export class PhraseTable<T> {
  private readonly byFirst = new Map<string, PhraseUse<T>[]>();

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

  /** All uses of the longest phrase that is at a place. */
  longestAt(stems: readonly string[], at: number): PhraseUse<T>[] {
    const uses = this.byFirst.get(stems[at]);
    if (!uses) return [];
    const first = uses.find((use) => use.stems.every((stem, i) => stems[at + i] === stem));
    if (!first) return [];
    return uses.filter((use) => use.stems.length === first.stems.length && use.stems.every((stem, i) => stems[at + i] === stem));
  }
}
