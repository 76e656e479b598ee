import { needsOf } from "../demo/log/needs";
import { type Answered, type Ask, type Meant, sampleMeant, simulate } from "../demo/log/simulate";
import { build } from "../src/core/index/build";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { proposeRules } from "../src/core/insights/propose/propose";
import { CAUSES, type Cause, type Looked, lookAt } from "../src/core/insights/repair/case";
import { proposeRepairs } from "../src/core/insights/repair/propose";
import { withRepair } from "../src/core/insights/repair/repair";
import { queryOf, type RepairEvidence } from "../src/core/insights/repair/ways/evidence";
import { type LogStats, LogTally } from "../src/core/log/tally";
import { prepare, type Searcher } from "../src/core/prepare/searcher";
import { type SearchFound, SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { lexiconFor } from "../src/server/words/lexicon";
import { demoShop } from "./quality";

export const AT = Date.parse("2026-11-24T12:00:00Z");
const MONTHS = [3, 5, 9, 11];
const SEEDS = [11, 12, 13];
const FIRST_PAGE = 10;
const PER_SEED = 250;

/** How often an intended product is among the first ten, before and after the first repair that is proposed. */
interface Mended {
  of: string;
  searches: number;
  before: number;
  after: number;
}

/**
 * Searches put as simulated shoppers put what they need, of those that find nothing, in part, or corrected to something that
 * serves nobody. Repairs are worked out from the catalogue and a log of other visits; what was meant is known to the measuring alone.
 */
export async function repairTable(visits = 40_000, perSeed = PER_SEED): Promise<string> {
  const { catalogue, known } = demoShop();
  const index = build(catalogue);
  const searcher = prepare(index, defaultSettings(index));
  const needs = needsOf(known);
  const stats = logOf(searcher, needs, visits);
  const lexicon = await lexiconFor(catalogue.locale);
  const proposals = [...proposeRules({ searcher, stats, at: AT, lexicon, stopwords: [] })].filter((proposal) => proposal !== null);
  const evidence: RepairEvidence = { searcher, stats, at: AT, lexicon, proposals };
  const rows = new Map<string, Mended>();
  const seen = new Set<string>();
  for (const seed of SEEDS) {
    let left = perSeed;
    for (const meant of MONTHS.flatMap((month) => sampleMeant(needs, 4_000, month, seed * 100 + month))) {
      if (left === 0) break;
      if (seen.has(meant.query)) continue;
      seen.add(meant.query);
      const looked = lookAt(searcher, meant.query, AT, null);
      const before = serves(searcher, meant);
      if (looked.cause === null || (looked.cause === "corrected" && before)) continue;
      left--;
      const after = serves(repaired(evidence, meant.query, { ...looked, cause: looked.cause }), meant);
      for (const of of [looked.cause, `seed ${seed}`, "all"]) count(rows, of, before, after);
    }
  }
  const names = [...CAUSES, ...SEEDS.map((seed) => `seed ${seed}`), "all"].flatMap((name) => rows.get(name) ?? []);
  return [
    "| searches that ended | searches | intended product in the first ten before | after the first repair proposed | 95 % interval | goal |",
    "| --- | ---: | ---: | ---: | ---: | --- |",
    ...names.map(say),
  ].join("\n");
}

/** The searcher with the first repair taken and nothing else. */
function repaired(evidence: RepairEvidence, text: string, looked: Looked & { cause: Cause }): Searcher {
  const { searcher, stats } = evidence;
  const asked = queryOf(stats, text)?.asked ?? 1;
  const [first] = resultOf(proposeRepairs(evidence, { ...looked, text, texts: [{ text, asked }] }));
  return first ? prepare(searcher.base, withRepair(searcher.settings, first.entry), searcher) : searcher;
}

function resultOf<T>(steps: Generator<unknown, T>): T {
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

type Asked = Pick<SearchFound, "query" | "outcome" | "total" | "hits">;
const ask = (searcher: Searcher, query: string, limit: number): Asked =>
  search(searcher, SearchRequest.parse({ query, limit, fields: [], pages: { limit: 0 } }), { at: AT, visible: () => true, counts: false });

const serves = (searcher: Searcher, { query, need }: Meant): boolean =>
  ask(searcher, query, FIRST_PAGE).hits.some(({ id }) => (need.serves.get(id) ?? 0) > 0);

/** Eight weeks of visits to the shop as a fresh import makes it. */
function logOf(searcher: Searcher, needs: ReturnType<typeof needsOf>, visits: number): LogStats {
  const tally = new LogTally(new Date(AT).toISOString());
  for (const event of simulate(needs, shopOf(searcher), AT, 1917, { count: visits })) tally.add(event);
  return tally.result();
}

/** A shop that answers each search once. @param soldOut ids of products that cannot be had. */
export function shopOf(searcher: Searcher, soldOut: ReadonlySet<string> = new Set()): Ask {
  const answers = new Map<string, Answered>();
  return (query) => {
    const known = answers.get(query);
    if (known) return known;
    const { query: read, outcome, total, hits } = ask(searcher, query, 24);
    const answer = { searched: read.searched, outcome, total, shown: hits.map(({ id }) => id), rules: [], soldOut };
    answers.set(query, answer);
    return answer;
  };
}

function count(rows: Map<string, Mended>, of: string, before: boolean, after: boolean): void {
  const row = rows.get(of) ?? { of, searches: 0, before: 0, after: 0 };
  rows.set(of, { of, searches: row.searches + 1, before: row.before + Number(before), after: row.after + Number(after) });
}

const NAMES: Readonly<Record<string, string>> = { nothing: "nothing", part: "in part", corrected: "corrected to what serves nobody" };
const GOAL = 0.6;

function say({ of, searches, before, after }: Mended): string {
  const share = after / searches;
  const within = 1.96 * Math.sqrt((share * (1 - share)) / searches);
  const percent = (value: number) => `${(value * 100).toFixed(1)} %`;
  const goal = of === "all" ? `60 % ${share >= GOAL ? "reached" : "**not reached**"}` : "";
  return `| ${[NAMES[of] ?? of, searches, percent(before / searches), percent(share), `± ${percent(within)}`, goal].join(" | ")} |`;
}
