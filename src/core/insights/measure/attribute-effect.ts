import type { QueryStats } from "../../log/tally";
import type { Searcher } from "../../prepare/searcher";
import { counted } from "../../progress";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";

/** What a field did for the searches of a week. Counts of searches, each as often as it was asked. */
export interface AttributeEffect {
  /** Searches with a result on the first page that the field answers. */
  answered: number;
  /** Of these, searches with a result that the field answers alone: without it that result would be missing. */
  alone: number;
  /** Clicks of the week on results that the field answers alone. */
  clicked: number;
}

const PAGE = 24;
/** Parts that are no answer of their own. */
const EXTRAS = new Set(["position", "proximity", "phrase"]);

/**
 * What each field does for shoppers, by key, worked out by asking the searches of the last week again, one at a time; the
 * generator pauses after each. @returns the effects; fields that answered nothing are left out.
 */
export function* attributeEffects(
  searcher: Searcher,
  queries: readonly QueryStats[],
  at: number,
): Generator<unknown, Map<string, AttributeEffect>> {
  const effects = new Map<string, AttributeEffect>();
  const effectOf = (field: string) => {
    const known = effects.get(field) ?? { answered: 0, alone: 0, clicked: 0 };
    effects.set(field, known);
    return known;
  };
  for (const [{ text, asked, lastWeek, products }, progress] of counted(queries, "searches")) {
    yield progress;
    if (lastWeek === 0) continue;
    const request = requestOf({ query: text, limit: PAGE, fields: [], explain: true });
    const { hits } = search(searcher, request, { at, visible: () => true });
    const answering = new Set<string>();
    const alone = new Set<string>();
    const clicks = new Map(products.map(({ id, clicks: times }) => [id, times]));
    for (const { id, explain } of hits) {
      const fields = new Set(explain?.parts.flatMap(({ field, via }) => (EXTRAS.has(via) || field === "" ? [] : [field])));
      for (const field of fields) answering.add(field);
      if (fields.size !== 1) continue;
      const [only] = fields;
      alone.add(only);
      // The log keeps clicks for the whole period; the week has its share of them.
      effectOf(only).clicked += ((clicks.get(id) ?? 0) * lastWeek) / asked;
    }
    for (const field of answering) effectOf(field).answered += lastWeek;
    for (const field of alone) effectOf(field).alone += lastWeek;
  }
  for (const effect of effects.values()) effect.clicked = Math.round(effect.clicked);
  return effects;
}
