import { prepare, type Searcher } from "../../prepare/searcher";
import { lookUp } from "../../records";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import type { WordRule } from "../../settings/schema";
import { conflictsOf } from "../words/conflicts";
import { lookAt, type RepairCase } from "./case";
import { answerFor, type Repair, type RepairDraft, withRepair } from "./repair";
import { fromClickedNames, fromClickedParts } from "./ways/clicks";
import { queryOf, type RepairEvidence, type Wound, woundOf } from "./ways/evidence";
import { asTyped, type Meant, meantBy } from "./ways/near";
import { fromCategories, fromClosest, fromColours, fromFields, fromGuides, fromLeavingOut } from "./ways/settings";
import { fromBeginning, fromLexicon, fromMeant, fromNext, fromProposals, fromSpelling } from "./ways/words";

const WAYS: readonly ((wound: Wound) => Generator<RepairDraft>)[] = [
  fromNext,
  fromColours,
  fromSpelling,
  fromProposals,
  fromLexicon,
  fromClickedNames,
  fromClickedParts,
  fromBeginning,
  fromFields,
  fromCategories,
  fromLeavingOut,
  fromGuides,
  fromClosest,
];

/** Of these, what helps a search helps its misspellings too. */
const THROUGH = [fromNext, fromProposals, fromLexicon, fromClickedNames, fromClickedParts, fromBeginning, fromCategories];

const FIRST_PAGE = 10;
const MOST_TRIED = 24;
const MOST_PROPOSED = 6;
/** What is thought likely before anybody clicked weighs as much as this many clicks. */
const PRIOR_WEIGHT = 5;
/** What is worth less than this is held back: nobody would accept it. */
const LEAST_WORTH = 0.2;
/** Results that hold more than this share of the range say nothing. */
const TOO_MUCH = 0.25;

/**
 * Repairs for a case, the likeliest to serve first. Each is tried: what the search comes to with it alone is weighed by the
 * products that shoppers took after it, and by what speaks for it. Yields null between tries.
 */
export function* proposeRepairs(evidence: RepairEvidence, repair: Failing): Generator<null, Repair[]> {
  const { searcher, at } = evidence;
  const meant = meantOf(evidence, repair);
  const wound = woundOf(
    evidence,
    repair,
    meant.map(({ text }) => text),
  );
  const drafts = new Map<string, RepairDraft>();
  const take = (draft: RepairDraft) => {
    const key = JSON.stringify(draft.entry);
    if ((drafts.get(key)?.prior ?? 0) < draft.prior) drafts.set(key, draft);
  };
  for (const way of WAYS) for (const draft of way(wound)) take(draft);
  for (const draft of fromMeant(wound, meant)) take(draft);
  for (const other of meant) {
    yield null;
    for (const draft of throughMeant(evidence, repair, other)) take(draft);
  }
  const likely = [...drafts.values()].filter((draft) => isPossible(wound, draft)).sort((a, b) => b.prior - a.prior);
  const now = comeOf(searcher, repair.text, at);
  const isAnswered = answerFor(searcher.settings, repair.text) !== null;
  const tried: Repair[] = [];
  for (const draft of likely.slice(0, MOST_TRIED)) {
    yield null;
    const settings = withRepair(searcher.settings, draft.entry);
    const repaired = prepare(searcher.base, settings, searcher);
    const come = comeOf(repaired, repair.text, at);
    // What changes nothing repairs nothing; an answer of one's own changes the page alone, and stands only where nothing is found.
    if (draft.kind === "answer" ? come.outcome !== "dead-end" || isAnswered : JSON.stringify(come) === JSON.stringify(now)) continue;
    const worth = worthOf(wound, draft, come);
    if (draft.kind === "answer" || worth >= LEAST_WORTH) tried.push({ ...draft, ...come, worth });
  }
  return tried.sort((a, b) => b.worth - a.worth || b.prior - a.prior).slice(0, MOST_PROPOSED);
}

/** What a search comes to: how it ends, how many it finds, and the first of them. */
function comeOf(searcher: Searcher, text: string, at: number): Pick<Repair, "outcome" | "total" | "first"> {
  const request = requestOf({ query: text, limit: FIRST_PAGE, fields: [], pages: { limit: 0 } });
  const { outcome, total, hits } = search(searcher, request, { at, visible: () => false, counts: false });
  return { outcome, total, first: hits.map(({ id }) => id) };
}

type Failing = Pick<RepairCase, "text" | "texts" | "cause" | "corrected" | "weak">;

/** What may have been meant: better known searches of the log, and what the engine itself makes of it. */
function meantOf({ stats }: RepairEvidence, { text, texts, corrected }: Failing): Meant[] {
  const asked = texts.reduce((sum, entry) => sum + entry.asked, 0);
  const fromLog = meantBy(stats, text, asked);
  const words = text.split(" ");
  const made = corrected?.split(" ") ?? [];
  const places = words.flatMap((word, i) => (made[i] !== word ? [i] : []));
  if (!corrected || made.length !== words.length || places.length !== 1 || fromLog.some((entry) => entry.text === corrected))
    return fromLog;
  const [place] = places;
  return [...fromLog, { text: corrected, asked: 0, typed: words[place], word: made[place], edits: 1 }];
}

/** A repair of a misspelling that also mends what ails the search that was meant is worth a little less than that one's own. */
const ON_THE_WAY = 0.9;

/** What would help the meant search, said of what was typed. */
function* throughMeant(evidence: RepairEvidence, repair: Failing, meant: Meant): Generator<RepairDraft> {
  const { text } = meant;
  const looked = lookAt(evidence.searcher, text, evidence.at, queryOf(evidence.stats, text) ?? null);
  const weak = looked.weak.length > 0 ? looked.weak : text.split(" ");
  const other = woundOf(evidence, { text, texts: [{ text, asked: meant.asked }], cause: repair.cause, corrected: null, weak });
  for (const way of THROUGH)
    for (const draft of way(other)) {
      const { entry } = draft;
      if (entry.part !== "words" || !("words" in entry.value)) continue;
      const words = entry.value.words.map((part) => asTyped(meant, part));
      if (words.join() === entry.value.words.join()) continue;
      yield {
        ...draft,
        kind: draft.kind,
        entry: { part: "words", value: { ...entry.value, words } as WordRule },
        prior: draft.prior * ON_THE_WAY,
      };
    }
}

function isPossible({ searcher }: Wound, { entry }: RepairDraft): boolean {
  return entry.part !== "words" || conflictsOf(searcher.settings.words, null, entry.value).length === 0;
}

const OUTCOMES: Readonly<Record<string, number>> = { results: 1, redirect: 1, partial: 0.45 };

/** The share of clicks that would have met its product on the first page, drawn towards what was likely beforehand. */
function worthOf(
  { clicks, clicked, searcher }: Wound,
  { prior, kind }: RepairDraft,
  { outcome, total, first }: Pick<Repair, "outcome" | "total" | "first">,
): number {
  const covered = first.reduce((sum, id) => sum + (clicks.get(id) ?? 0), 0);
  const share = (covered + PRIOR_WEIGHT * prior) / (clicked + PRIOR_WEIGHT);
  const reach = total > searcher.index.products * TOO_MUCH ? 0.6 : 1;
  return share * (kind === "answer" ? 1 : (lookUp(OUTCOMES, outcome) ?? 0)) * reach;
}
