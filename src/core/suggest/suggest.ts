import type { Field } from "../catalogue/types";
import { type Bits, hasBit, isEmpty } from "../index/bits";
import { stringAt } from "../index/strings";
import type { Popular } from "../log/popular";
import { type Searcher, searcherAt } from "../prepare/searcher";
import { lookUp } from "../records";
import { scopeOfPlace } from "../search/candidate-scope";
import { deadEnd, ownAnswer, tipsIn } from "../search/dead-end";
import { guidesAnswer } from "../search/pages";
import { type ReadQuery, readQuery } from "../search/read-query";
import { requestOf } from "../search/request";
import { searchRead } from "../search/search";
import { type BoxBlock, MOST_ENTRIES } from "../settings/box/block";
import type { BoxMoment } from "../settings/box/box";
import type { DeadEndPart } from "../settings/dead-end";
import { inRankOrder, labelIn } from "../settings/ranked";
import { nameOfFilter } from "../settings/read-filter";
import { completionItems, completionOf } from "./blocks/completions";
import { categoryItems, pageItems, valueItems } from "./blocks/places";
import { productItems, shownIn, withoutSoldOut } from "./blocks/products";
import { searchItems } from "./blocks/searches";
import { findingOf } from "./finds";
import { headingOf } from "./headings";
import type { Panel } from "./panel";
import type { Suggested, SuggestedBlock, SuggestedItem, SuggestRequest } from "./request";

export interface SuggestOptions {
  /** The moment the answer is for, in milliseconds since 1970 UTC. */
  at: number;
  /** Which fields may be given out. */
  visible: (field: Field) => boolean;
  /** What shoppers search and take; nothing is taken from a log without it. */
  popular?: Popular | null;
}

/**
 * What opens under the search box: on focus, while typing, and when nothing is found.
 *
 * @example
 * suggest(searcher, SuggestRequest.parse({ query: "lav" }), { at: Date.now(), visible: ({ shown }) => shown });
 */
export function suggest(given: Searcher, request: SuggestRequest, { at, visible, popular = null }: SuggestOptions): Suggested {
  const searcher = searcherAt(given, at);
  const { box } = searcher.settings;
  const query = readQuery(searcher, request.query);
  const letters = [...query.typed.trim()].length;
  const language = request.language ?? searcher.index.locale;
  const shared = { searcher, request, at, visible, popular, query, language, category: request.category, within: request.within };
  const standing = withoutSoldOut(searcher, scopeOfPlace(searcher, "typing", request.category, at, request.within).open);
  if (letters < box.from || query.words.length === 0)
    return answerAt({ ...shared, moment: "focus", among: standing, found: null, end: null });

  let base: Bits = standing;
  const panel: Panel = { ...shared, moment: "typing", among: base, found: null, end: null };
  const wanted = Object.entries(box.moments.typing.blocks).filter(([, block]) => block.kind === "products" && block.on);
  const most = Math.max(0, ...wanted.map(([id, block]) => countFor(panel, block, id)));
  const found = searchRead(
    searcher,
    query,
    requestOf({
      query: query.typed,
      category: request.category,
      within: request.within,
      limit: most + 1,
      pages: { limit: 0 },
      context: { language },
    }),
    {
      at,
      visible: shownIn(panel),
      typing: true,
      counts: false,
      onBase: (bits) => {
        base = bits;
      },
    },
  );
  const typing: Panel = { ...panel, found, among: base };
  if (found.outcome === "dead-end" && isEmpty(base)) {
    const begun = answerAt(typing);
    // Nothing is found yet, but what is typed may still become something.
    if (begun.blocks.some(({ kind }) => kind === "completions")) return begun;
    if (begun.blocks.some(({ kind }) => kind === "pages") && guidesAnswer(searcher, query.typed) && !ownAnswer(searcher, query, at))
      return begun;
    const end = deadEnd(searcher, query, language, at, shownIn(panel), query.readStems, mostOfEach(typing));
    return answerAt({ ...shared, moment: "nothing", among: standing, found: null, end });
  }
  const product = box.numbers ? wholeNumber(searcher, query, base) : null;
  // The way to all results says what is there, which may be others than while one types.
  const { total } = findingOf(searcher, query.typed, { category: request.category, within: request.within, at });
  return { ...answerAt(typing), ...(box.all && total > 0 ? { total } : {}), ...(product === null ? {} : { product }) };
}

function answerAt(panel: Panel): Suggested {
  const { searcher, moment, query } = panel;
  const { shares, blocks }: BoxMoment = searcher.settings.box.moments[moment];
  const columnOf = ({ column }: BoxBlock) => Math.min(column, shares.length - 1);
  const ordered = inRankOrder(blocks)
    .filter(([, block]) => block.on)
    .sort(([, a], [, b]) => columnOf(a) - columnOf(b));
  const filled = ordered.flatMap(([id, block]): SuggestedBlock[] => {
    const most = countFor(panel, block, id);
    const items = itemsOf(panel, block, most + 1);
    // What this shopper searched before is known to the browser alone.
    if (items.length === 0 && block.kind !== "recent") return [];
    const heading = block.kind === "values" ? valuesHeading(panel, block) : headingOf(block, moment, searcher.settings, panel.language);
    const more = items.length > most && most < MOST_ENTRIES;
    const column = columnOf(block);
    return [
      {
        id,
        kind: block.kind,
        heading,
        items: items.slice(0, most),
        ...(column > 0 ? { column } : {}),
        ...(more ? { more } : {}),
        ...(block.kind === "recent" ? { most } : {}),
      },
    ];
  });
  const completions = filled.flatMap(({ kind, items }) => (kind === "completions" ? items : []));
  return { moment, blocks: filled, shares, completion: completionOf(query.typed, completions) };
}

/** How much of each kind the panel wants where nothing was found. */
function mostOfEach(panel: Panel): Partial<Record<DeadEndPart, number>> {
  const wanted: Partial<Record<DeadEndPart, number>> = {};
  for (const [id, block] of Object.entries(panel.searcher.settings.box.moments.nothing.blocks))
    if (block.on && (block.kind === "searches" || block.kind === "products" || block.kind === "pages"))
      wanted[block.kind] = Math.max(wanted[block.kind] ?? 0, countFor(panel, block, id) + 1);
  return wanted;
}

/** How many entries a block shows. */
function countFor({ request }: Pick<Panel, "request">, { most }: BoxBlock, id: string): number {
  if (request.unfold.includes(id)) return MOST_ENTRIES;
  return request.limit === null ? most : Math.min(most, request.limit);
}

function itemsOf(panel: Panel, block: BoxBlock, most: number): SuggestedItem[] {
  switch (block.kind) {
    case "recent":
      return [];
    case "searches":
      return searchItems(panel, block, most);
    case "completions":
      return panel.found ? completionItems(panel, block, most) : [];
    case "products":
      return productItems(panel, block, most);
    case "categories":
      return categoryItems(panel, block, most);
    case "values":
      return valueItems(panel, block, most);
    case "pages":
      return pageItems(panel, block, most);
    case "message": {
      const text = labelIn(block.text, panel.language, "").replaceAll("{query}", panel.query.typed.trim()) || (panel.end?.message ?? "");
      return text ? [{ text }] : [];
    }
    case "tips":
      return tipsIn(panel.searcher.settings, panel.language)
        .slice(0, most)
        .map((text) => ({ text }));
  }
}

function valuesHeading({ searcher, language }: Panel, block: Extract<BoxBlock, { kind: "values" }>): string {
  const filter = lookUp(searcher.settings.filters, block.filter);
  const labelOf = (key: string) => searcher.index.fields.find((field) => field.key === key)?.label ?? key;
  return labelIn(block.heading, language, "") || (filter ? nameOfFilter(filter, block.filter, language, labelOf) : "");
}

/** The one product whose whole article number was typed and nothing else. */
function wholeNumber({ index }: Searcher, { typed, numbers }: ReadQuery, base: Bits): string | null {
  if (numbers.length !== 1) return null;
  const [{ whole, products, code }] = numbers;
  const isOne = whole && products.length === 1 && code === typed.trim();
  return isOne && hasBit(base, products[0]) ? stringAt(index.ids, products[0]) : null;
}
