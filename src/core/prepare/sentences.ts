import { fieldNumber } from "../index/read";
import type { Index } from "../index/types";
import type { Settings } from "../settings/schema";
import type { Stem } from "../text/stem";
import { tokenise } from "../text/tokens";
import { isUnit } from "../text/units";

/** The words around a bare number under which it is searched, as stems: "{value} cm pot" has none before and two after. */
export interface Sentence {
  /** Number of the field. */
  field: number;
  before: string[];
  after: string[];
  /** The unit right behind the number, if there is one. */
  unit: string | null;
}

const VALUE = "{value}";

/** Sentence forms of number fields, those with most words first. A form without any word would make every number match. */
export function prepareSentences(index: Index, sentences: Settings["sentences"], stem: Stem): Sentence[] {
  return Object.entries(sentences)
    .flatMap(([key, text]): Sentence[] => {
      const field = fieldNumber(index, key);
      const [before, after, ...more] = text.split(VALUE).map((part) => tokenise(part));
      if (field < 0 || index.columns[field].kind !== "numbers" || !after || more.length > 0) return [];
      if (before.length + after.length === 0) return [];
      const stems = (tokens: typeof before) => tokens.map((token) => stem(token.surface));
      return [{ field, before: stems(before), after: stems(after), unit: after[0] && isUnit(after[0].word) ? after[0].word : null }];
    })
    .sort((a, b) => b.before.length + b.after.length - a.before.length - a.after.length || a.field - b.field);
}
