import { SearchRequest } from "../../src/core/search/request";
import { search } from "../../src/core/search/search";
import { ENGLISH } from "./english";
import { GERMAN } from "./german";
import { type Judgement, judge, readNeeds, type SearchOutcome, type TypedNeed } from "./need";
import { englishShop, germanShop, type JudgedShop } from "./shops";

const AT = Date.parse("2026-11-24T12:00:00Z");

export interface JudgedNeed extends SearchOutcome {
  need: TypedNeed;
  judgement: Judgement;
}

/** Puts needs to a shop as its shoppers do. */
export function judgeNeeds({ searcher, items }: JudgedShop, needs: readonly TypedNeed[], language: string): JudgedNeed[] {
  return needs.map((need) => {
    const request = SearchRequest.parse({ query: need.query, limit: 10, fields: [], context: { language } });
    const { hits, outcome } = search(searcher, request, { at: AT, visible: () => true });
    const answer = { ids: hits.map(({ id }) => id), outcome };
    return { need, ...answer, judgement: judge(need, items, answer) };
  });
}

/** English and German needs, judged: each list in its two halves. */
export function judgedLists(): { name: string; judged: JudgedNeed[] }[] {
  const lists = [
    { name: "English", judged: judgeNeeds(englishShop(), readNeeds(ENGLISH), "en") },
    { name: "German", judged: judgeNeeds(germanShop(), readNeeds(GERMAN), "de") },
  ];
  return lists.flatMap(({ name, judged }) => [
    { name, judged: judged.filter(({ need }) => !need.isHeldBack) },
    { name: `${name}, held back`, judged: judged.filter(({ need }) => need.isHeldBack) },
  ]);
}

/** The table of the needs, and those of the opened halves that are not served well. */
export function needsTable(): string {
  const lists = judgedLists();
  const share = (judged: readonly JudgedNeed[], wanted: Judgement) =>
    `${((100 * judged.filter(({ judgement }) => judgement === wanted).length) / judged.length).toFixed(0)} %`;
  const rows = lists.map(({ name, judged }) => `| ${name} | ${judged.length} | ${share(judged, "good")} | ${share(judged, "absurd")} |`);
  const poor = lists
    .flatMap(({ judged }) => judged)
    .filter(({ need, judgement }) => !need.isHeldBack && judgement !== "good")
    .map(({ need, judgement, outcome }) => `${need.query} (${judgement}, ${outcome})`);
  return ["| needs | searches | good | absurd |", "| --- | ---: | ---: | ---: |", ...rows, "", `Not served well: ${poor.join("; ")}`].join(
    "\n",
  );
}
