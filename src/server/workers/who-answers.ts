import type { ReadKey } from "../routes/reading";
import type { OtherWork } from "./other-work";

/** Searches, and what else is on a shopper's page. */
const SEARCH: readonly ReadKey[] = [
  "POST /api/stores/{store}/search",
  "POST /api/stores/{store}/suggest",
  "POST /api/stores/{store}/trial/search",
  "GET /api/stores/{store}/front",
  "GET /api/stores/{store}/start",
  "POST /shop/{store}/search",
  "POST /shop/{store}/suggest",
  "GET /shop/{store}/front.json",
  "GET /shop/{store}/start.json",
  "GET /shop/{store}/products/{id}/data.json",
  "GET /shop/{store}/pages/{id}/data.json",
  "GET /shop/{store}/related/{product}",
];

/** What looks through a log, a vocabulary, all rules or the whole catalogue. */
const LONG: readonly ReadKey[] = [
  "GET /api/stores/{store}/attributes/effects",
  "GET /api/stores/{store}/box/list",
  "GET /api/stores/{store}/demand/work",
  "GET /api/stores/{store}/duplicates",
  "GET /api/stores/{store}/export/{file}",
  "GET /api/stores/{store}/fields/report",
  "GET /api/stores/{store}/filters/facts",
  "GET /api/stores/{store}/groups/proposals",
  "GET /api/stores/{store}/page/facts",
  "GET /api/stores/{store}/recommendations",
  "GET /api/stores/{store}/repair",
  "POST /api/stores/{store}/repair/proposals",
  "GET /api/stores/{store}/setup",
  "GET /api/stores/{store}/shelves/conflicts",
  "GET /api/stores/{store}/shelves/overview",
  "GET /api/stores/{store}/strictness",
  "POST /api/stores/{store}/trial",
  "GET /api/stores/{store}/words/proposals",
  "POST /api/stores/{store}/reach",
  "POST /api/stores/{store}/strength",
];

/** Work that the main thread waits for, and that takes as long as the catalogue or an edit is large. */
const LARGE: readonly (keyof OtherWork)[] = ["fresh settings", "changed catalogue", "edited draft", "plan of a bulk change"];

const WHO = new Map<string, "search" | "long">([
  ...SEARCH.map((name) => [name, "search"] as const),
  ...[...LONG, ...LARGE].map((name) => [name, "long"] as const),
]);

/** Which workers answer a question: those of searches, those of what takes long, or those of what screens show. */
export const whoAnswers = (name: string): "search" | "long" | "bench" => WHO.get(name) ?? "bench";

/** Whether it can wait for the searches that are under way: it is a report, not what somebody waits for with a change. */
export const canWait = (name: string): boolean => WHO.get(name) === "long" && !(LARGE as readonly string[]).includes(name);
