import { type Field, fieldWithRole, type Product, type Value } from "../catalogue/types";
import { optionValue } from "../index/columns";
import { productAt } from "../index/read";
import { stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { bandAt } from "../rank/order";
import { ORDINARY_ROW } from "../rank/rows";
import { lookUp, setOwn } from "../records";
import type { NamedShelf } from "../shelves/choose";
import type { CandidateScope } from "./candidate-scope";
import { cardViewsAt } from "./card-view";
import type { Understanding } from "./find-answers";
import type { marksOf } from "./marks";
import type { Ranked } from "./ranked";
import type { Explanation, Hit, ProductCard } from "./request";

/** What a factor is called that no rule gives: how much of the search a product answers. */
const COVERAGE = "coverage";

interface HitContext {
  searcher: Searcher;
  scope: CandidateScope;
  understanding: Understanding;
  ranked: Ranked;
  /** The shelf that acts, and the one that decides what is found. */
  shelf: NamedShelf | null;
  finding: NamedShelf | null;
  option: (product: number) => number;
  visible: (field: Field) => boolean;
  cardView: ReturnType<typeof cardViewsAt>;
  marks: ReturnType<typeof marksOf>;
  explain: boolean;
}

/** A product as it is shown in a result. */
export function makeHit(context: HitContext, product: number, position: number): Hit {
  const { searcher, understanding, ranked } = context;
  const { index } = searcher;
  const option = context.option(product);
  const stored = productAt(index, product);
  const slot = ranked.places.of(product);
  const isMatching = ranked.matching(product);
  return {
    id: stored.id,
    title: titleOf(index.fields, stored),
    position,
    variant: stringAt(index.optionIds, option),
    score: ranked.standing.scores[slot],
    tier: ranked.standing.tiers[slot],
    answers: !isMatching ? [] : ranked.scores.answered(slot).map((queryTerm) => understanding.matches[queryTerm].queryTerm.label),
    arranged: arrangements(context, product, stored.id),
    fields: shownFields(index.fields, stored, option - index.optionStarts[product], context.visible),
    explain: context.explain ? explain(context, product, slot, isMatching) : null,
    ...context.cardView(product, stored, option),
    ...(context.marks ? { marked: context.marks(stored) } : {}),
  };
}

function titleOf(fields: readonly Field[], product: Product): string {
  return String(lookUp(product.values, fieldWithRole(fields, "title") ?? "title") ?? product.id);
}

/** The values of a product with those of one option laid over them. */
function shownFields(
  fields: readonly Field[],
  product: Product,
  option: number,
  visible: (field: Field) => boolean,
): Record<string, Value> {
  const shown: Record<string, Value> = {};
  for (const field of fields) {
    const value = visible(field) ? optionValue(field, product, option) : undefined;
    if (value !== undefined) setOwn(shown, field.key, value);
  }
  if (product.options.length > 1) shown.options = product.options.length;
  return shown;
}

/** Makes products in short, as they are shown at a moment. */
export function cardMaker(searcher: Searcher, at: number, visible: (field: Field) => boolean): (product: number) => ProductCard {
  const cardView = cardViewsAt(searcher, at, visible);
  const { index } = searcher;
  return (product) => {
    const stored = productAt(index, product);
    const option = searcher.options[product];
    const fields = shownFields(index.fields, stored, option - index.optionStarts[product], visible);
    const variant = stringAt(index.optionIds, option);
    return { id: stored.id, title: titleOf(index.fields, stored), variant, fields, ...cardView(product, stored, option) };
  };
}

/** A hit in short, for where products are proposed. */
export function asCard({ id, title, variant, fields, card, badges, choices, marked }: Hit): ProductCard {
  return {
    id,
    title,
    variant,
    fields,
    ...(card ? { card } : {}),
    ...(badges ? { badges } : {}),
    ...(choices ? { choices } : {}),
    ...(marked ? { marked } : {}),
  };
}

function arrangements({ scope, ranked, shelf, finding }: HitContext, product: number, id: string): Hit["arranged"] {
  const arranged: Hit["arranged"] = [];
  if (shelf && scope.pinned.has(product)) arranged.push({ kind: "pin", rule: shelf.id });
  if (finding && (finding.shelf.add.includes(id) || scope.added.has(product))) arranged.push({ kind: "add", rule: finding.id });
  const row = ranked.standing.rows?.of[ranked.places.of(product)] ?? ORDINARY_ROW;
  const moved = ranked.standing.rows?.rules.get(row);
  if (moved !== undefined) arranged.push({ kind: row < ORDINARY_ROW ? "boost" : "bury", rule: moved });
  for (const factor of ranked.factors(product)) arranged.push({ kind: factor.factor >= 1 ? "boost" : "bury", rule: factor.rule });
  return arranged;
}

/** The account of a score: parts that add up to the base, factors that lead from there to the score. */
function explain({ searcher, understanding, ranked }: HitContext, product: number, slot: number, isMatching: boolean): Explanation {
  const { fields } = searcher.index;
  const label = (queryTerm: number) => (queryTerm < 0 ? "" : understanding.matches[queryTerm].queryTerm.label);
  const parts = !isMatching
    ? []
    : ranked.scores.account(slot).map((part) => ({
        unit: part.with === undefined ? label(part.queryTerm) : `${label(part.queryTerm)} ${label(part.with)}`,
        field: part.field < 0 ? "" : (fields[part.field]?.key ?? "id"),
        via: part.via,
        matched: part.matched,
        points: part.points,
      }));
  const coverage = isMatching ? ranked.coverage(product) : 1;
  const factors = isMatching
    ? [...(coverage < 1 ? [{ rule: COVERAGE, label: "Answers a part of the search", factor: coverage }] : []), ...ranked.factors(product)]
    : [];
  const base = isMatching ? ranked.scores.base(slot) : 0;
  const band = bandAt(ranked.standing, slot, searcher.settings.ranking.tieWidth);
  const { rows, widened, stockGroups } = ranked.standing;
  const row = rows?.of[slot] ?? ORDINARY_ROW;
  const place = row === ORDINARY_ROW ? "usual" : row < ORDINARY_ROW ? "first" : "last";
  const groups = { place, behind: widened[slot] > 0, unavailable: stockGroups[slot] > 0 } as const;
  return { base, parts, factors, ...groups, band, ties: searcher.ties.map((tie) => ({ field: tie.field, value: tie.shown(product) })) };
}
