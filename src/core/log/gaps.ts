import { distance } from "../query/edits";
import { hasDigit } from "../text/tokens";

/** A text that another one may be a misspelling of: they differ in one word. */
export interface Near<T> {
  entry: T;
  /** The word that is in the other text, the one in this, and how many letters they are apart. */
  typed: string;
  word: string;
  edits: number;
}

/** Longer texts are hardly ever the same but for one word. */
const LONGEST = 6;

/**
 * Texts by what is left when one word is taken out: those that differ in one word alone are found without comparing all with all.
 *
 * @example
 * const gaps = new Gaps<number>();
 * gaps.add("red rose", 1);
 * gaps.near("red rosr", editsAllowed); // [{ entry: 1, typed: "rosr", word: "rose", edits: 1 }]
 */
export class Gaps<T> {
  private readonly byRest = new Map<string, { word: string; entry: T }[]>();

  add(text: string, entry: T): void {
    const words = text.split(" ");
    if (words.length > LONGEST) return;
    words.forEach((word, i) => {
      const rest = words.with(i, "").join(" ");
      const own = this.byRest.get(rest);
      if (own) own.push({ word, entry });
      else this.byRest.set(rest, [{ word, entry }]);
    });
  }

  /**
   * Texts that differ from one in one word, in the order in which they were added; never the text itself.
   * @param most edits that a word may be away; 0 for none. Words with digits are never taken for others.
   */
  near(text: string, most: (word: string) => number): Near<T>[] {
    const words = text.split(" ");
    if (words.length > LONGEST) return [];
    return words.flatMap((typed, i) => {
      const far = hasDigit(typed) ? 0 : most(typed);
      if (far === 0) return [];
      return (this.byRest.get(words.with(i, "").join(" ")) ?? []).flatMap(({ word, entry }) => {
        const edits = word === typed ? 0 : distance(typed, word, far);
        return edits > 0 && edits <= far ? [{ entry, typed, word, edits }] : [];
      });
    });
  }
}
