import type { Narrowing } from "../filters/narrow";
import { type Bits, hasBit } from "../index/bits";
import { productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import type { CandidateScope } from "./candidate-scope";
import type { Understanding } from "./find-answers";
import type { Why } from "./request";

interface WhyContext {
  searcher: Searcher;
  scope: CandidateScope;
  understanding: Understanding;
  base: Bits;
  narrowing: Narrowing;
  /** Id of the shelf that decides what is found, and what comes after its end. */
  shelf: string | null;
  isBehindEnd: (product: number) => boolean;
  /** Place in the whole order, from 1; 0 when the product is not in it. */
  positionOf: (product: number) => number;
}

/** Where a product stands, or the first reason that keeps it out. */
export function whyFor(context: WhyContext, id: string): Why {
  const { searcher, scope, understanding, base, narrowing, shelf } = context;
  const product = productNumber(searcher.index, id);
  if (product < 0) return { reason: "unknown-product" };
  if (hasBit(base, product)) {
    const failed = narrowing.firstFailed(product);
    if (failed) return { reason: "filtered", filter: failed.prepared.id };
    return { position: context.positionOf(product) };
  }
  if (!hasBit(scope.inCategory, product)) return { reason: "not-in-category" };
  const hide = scope.hides.find((entry) => entry.holds(product));
  if (hide) return { reason: "hidden", rule: hide.id };
  if (hasBit(scope.excluded, product)) return { reason: "excluded", ...(shelf ? { rule: shelf } : {}) };
  const askedFor = searcher.stock.askedFor[scope.place];
  if (askedFor && hasBit(askedFor, product)) return { reason: "sold-out" };
  if (shelf && context.isBehindEnd(product)) return { reason: "behind-end", rule: shelf };
  const outside = understanding.intents.find((intent) => !hasBit(intent.products, product));
  if (outside) return { reason: "no-answer", unit: outside.label, rule: outside.rule };
  const beyond = understanding.read.find(({ products }) => !hasBit(products, product));
  if (beyond) return { reason: "no-answer", unit: beyond.text };
  const unanswered = understanding.matches.find(({ products, queryTerm }) => !queryTerm.optional && !hasBit(products, product));
  return unanswered ? { reason: "no-answer", unit: unanswered.queryTerm.label } : { reason: "no-answer" };
}
