import type { Searcher } from "../prepare/searcher";
import type { NumberMatch } from "./article-numbers";
import { expandCompounds } from "./compounds";
import { expandForms, expandPrefix, expandSynonym, isHeld } from "./expand";
import { addHyphenForms, addJoined } from "./joined";
import { addValues, type PlacedTerm } from "./named-values";
import { saidNumber } from "./numbers";
import { optionalTerms } from "./optional";
import { type Expansion, QUALITY, type QueryTerm, type QueryWord, type Step } from "./types";

interface Interpretation {
  queryTerms: QueryTerm[];
  steps: Step[];
}

type Draft = PlacedTerm;

/**
 * Turns words into units with all that answers them: phrases that belong together, numbers with their unit, other
 * forms, synonyms, completions of the last word, article numbers.
 * @param typing whether the last word may be unfinished.
 * @param isRest whether other words of the query are already accounted for, so that all of these may be dropped.
 */
export function interpret(
  searcher: Searcher,
  words: readonly QueryWord[],
  numbers: readonly NumberMatch[],
  typing: boolean,
  isRest = false,
): Interpretation {
  const steps: Step[] = [];
  const kept = dropIgnored(searcher, words, isRest, steps);
  const drafts = cutTerms(searcher, kept, steps);
  for (const draft of drafts) {
    if (draft.words.length === 1)
      draft.expansions.push(...expandForms(searcher, draft.words[0]), ...expandCompounds(searcher, draft.words[0]));
  }
  addHyphenForms(searcher, kept, drafts);
  if (searcher.settings.deadEnd.ladder.includes("joined")) addJoined(searcher, drafts, typing, steps);
  addSynonyms(searcher, kept, drafts, steps);
  addValues(searcher, kept, drafts, steps);
  addNumbers(searcher, numbers, drafts, steps);
  completeLast(searcher, drafts, typing, steps);
  const optional = optionalTerms(searcher, drafts, typing);
  return {
    queryTerms: drafts.map(({ label, words: unitWords, expansions }, i) => ({
      label,
      words: unitWords,
      expansions: distinct(expansions),
      ...(optional.has(i) ? { optional: true } : {}),
    })),
    steps,
  };
}

function dropIgnored(searcher: Searcher, words: readonly QueryWord[], mayDropAll: boolean, steps: Step[]): QueryWord[] {
  const { ignored } = searcher.words;
  if (ignored.isEmpty) return [...words];
  const stems = words.map((word) => word.stem);
  const dropped = new Set<number>();
  const rules = new Set<string>();
  for (let i = 0; i < words.length; i++) {
    for (const use of ignored.longestAt(stems, i)) {
      rules.add(use.id);
      for (let k = 0; k < use.stems.length; k++) dropped.add(i + k);
    }
  }
  if (dropped.size === 0 || (dropped.size === words.length && !mayDropAll)) return [...words];
  steps.push({
    kind: "ignored",
    from: words
      .filter((_, i) => dropped.has(i))
      .map((word) => word.surface)
      .join(" "),
    rule: [...rules][0],
  });
  return words.filter((_, i) => !dropped.has(i));
}

function cutTerms(searcher: Searcher, words: readonly QueryWord[], steps: Step[]): Draft[] {
  const stems = words.map((word) => word.stem);
  const drafts: Draft[] = [];
  for (let i = 0; i < words.length; ) {
    const together = searcher.words.phrases.longestAt(stems, i)[0];
    if (together && together.stems.length > 1) {
      const part = words.slice(i, i + together.stems.length);
      const label = part.map((word) => word.surface).join(" ");
      drafts.push({ at: i, label, words: part, expansions: sequence(searcher, part) });
      steps.push({ kind: "phrase", from: label, rule: together.id });
      i += part.length;
      continue;
    }
    const number = saidNumber(searcher, words, i);
    if (number) {
      drafts.push({ at: i, ...number });
      steps.push({ kind: "number", from: number.label });
      i += number.words.length;
    } else {
      drafts.push({ at: i, label: words[i].surface, words: [words[i]], expansions: [] });
      i++;
    }
  }
  return drafts;
}

/** Words that must be side by side, each in any of its forms. */
function sequence(searcher: Searcher, words: readonly QueryWord[]): Expansion[] {
  const slots = words.map((word) =>
    expandForms(searcher, word).flatMap((expansion) => (expansion.kind === "term" ? [expansion.term] : [])),
  );
  if (slots.some((slot) => slot.length === 0)) return [];
  return [{ kind: "sequence", slots, via: "phrase", matched: words.map((word) => word.surface).join(" "), quality: QUALITY.exact }];
}

/**
 * Synonyms, found left to right, longest first, never chained. Each word of a left side is answered by the right side,
 * so the words of the left side still match apart; together they count as one.
 */
function addSynonyms(searcher: Searcher, words: readonly QueryWord[], drafts: Draft[], steps: Step[]): void {
  const { synonyms } = searcher.words;
  if (synonyms.isEmpty) return;
  const stems = words.map((word) => word.stem);
  for (let i = 0; i < words.length; ) {
    const uses = synonyms.longestAt(stems, i);
    if (uses.length === 0) {
      i++;
      continue;
    }
    const end = i + uses[0].stems.length;
    // In front of another word a phrase is what that is like, and its last word says it: a "garden hose reel" is a reel for hoses.
    if (end < words.length) for (const draft of drafts) if (draft.at >= i && draft.at + draft.words.length < end) draft.optional = true;
    for (const use of uses) {
      // What stands for a phrase counts once, not for each of its words.
      const added = use.does.right.flatMap((right) => expandSynonym(searcher, right, use.does.quality / use.stems.length));
      for (const draft of drafts) if (draft.at < end && draft.at + draft.words.length > i) draft.expansions.push(...added);
      steps.push({
        kind: "synonym",
        from: words
          .slice(i, end)
          .map((word) => word.surface)
          .join(" "),
        to: use.does.right.map((right) => right.text).join(", "),
        rule: use.id,
      });
    }
    i = end;
  }
}

function addNumbers(searcher: Searcher, numbers: readonly NumberMatch[], drafts: Draft[], steps: Step[]): void {
  const field = numberField(searcher);
  if (field < 0) return;
  for (const { chunk, code, whole, products } of numbers) {
    const own = drafts.filter((draft) => chunk < 0 || draft.words.some((word) => word.chunk === chunk));
    // A plain number that is also said in words ("60 cm") is not taken for part of an article number.
    if (!whole && own.some((draft) => draft.words.length > 1)) continue;
    for (const draft of own) {
      const expansion = {
        kind: "listed",
        field,
        products,
        matched: code,
        quality: whole ? QUALITY.wholeCode : QUALITY.partOfCode,
      } as const;
      draft.expansions.push({ ...expansion, via: whole ? "exact" : "prefix" });
    }
    if (own.length > 0) steps.push({ kind: "article-number", from: code });
  }
}

/** The field that article numbers count for: the first that holds them, else the id. -1 when the merchandiser switched it off. */
function numberField(searcher: Searcher): number {
  const { fields } = searcher.index;
  const f = fields.findIndex((field) => field.role === "articleNumber");
  if (f < 0) return fields.length;
  return searcher.attributes.weights[f] > 0 ? f : -1;
}

function completeLast(searcher: Searcher, drafts: Draft[], typing: boolean, steps: Step[]): void {
  const last = drafts.at(-1);
  if (last?.words.length !== 1 || last.words[0].literal) return;
  const isKnown = isKnownTerm(searcher, last);
  if (!typing && isKnown) return;
  const added = expandPrefix(searcher, last.words[0]);
  if (added.length === 0) return;
  last.expansions.push(...added);
  if (!isKnown)
    steps.push({
      kind: "completion",
      from: last.label,
      to: added
        .slice(0, 3)
        .map((expansion) => expansion.matched)
        .join(", "),
    });
}

/** Of several ways to the same term, the best. */
function distinct(expansions: readonly Expansion[]): Expansion[] {
  const best = new Map<string, Expansion>();
  for (const expansion of expansions) {
    const key =
      expansion.kind === "term"
        ? `t${expansion.term}`
        : `${expansion.kind}:${expansion.via}:${expansion.matched}:${expansion.kind === "listed" ? `${expansion.field}:${expansion.values?.join("\n") ?? ""}` : ""}`;
    const known = best.get(key);
    if (!known || known.quality < expansion.quality) best.set(key, expansion);
  }
  return [...best.values()];
}

/** Whether a term stands for something the catalogue or the rules know. */
export function isKnownTerm(searcher: Searcher, queryTerm: QueryTerm): boolean {
  if (queryTerm.words.length > 1) return true;
  if (isHeld(searcher, queryTerm.words[0])) return true;
  return queryTerm.expansions.some(
    (expansion) => expansion.via === "synonym" || expansion.kind !== "term" || searcher.attributes.held[expansion.term] === 1,
  );
}
