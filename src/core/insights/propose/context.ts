import { type Bits, countBits, emptyBits, hasBit, listBits } from "../../index/bits";
import { productNumber, titlesOf } from "../../index/read";
import { stringAt } from "../../index/strings";
import type { LogStats } from "../../log/tally";
import type { Searcher } from "../../prepare/searcher";
import { answersOf } from "../../query/match/answers";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import type { WordRule } from "../../settings/schema";

/** A rule that somebody might want, with what speaks for it. Proposals are never applied by themselves. */
export interface Proposal {
  rule: WordRule;
  source: "log" | "catalogue" | "lexicon" | "list";
  /** One sentence. */
  reason: string;
  /** How often the words were searched. */
  asked: number;
  /** How many products the first of its words finds now. */
  finds: number;
  /** How many products the rule would add to a search for its words. */
  adds: number;
  /** Titles of up to three of them. */
  examples: string[];
}

export type ProposalDraft = Pick<Proposal, "rule" | "source" | "reason">;

/** What proposals are worked out from. */
export interface Evidence {
  searcher: Searcher;
  stats: LogStats;
  /** The senses of a word, each as the other words for it, from an open lexical database; null where there is none for the language. */
  lexicon: ((word: string) => readonly (readonly string[])[]) | null;
  /** The moment, for rules with dates. */
  at: number;
  /** Words that carry no meaning of their own, in the language of the catalogue. */
  stopwords: readonly string[];
}

const MOST_EXAMPLES = 3;

/** How many times a word or phrase was searched, alone or among others. */
export function timesAsked({ queries }: LogStats, text: string): number {
  const wanted = ` ${text} `;
  const withFirst = queriesByWord(queries).get(text.split(" ")[0]) ?? [];
  return withFirst.reduce((sum, query) => (` ${query.text} `.includes(wanted) ? sum + query.asked : sum), 0);
}

type Queries = LogStats["queries"];
const byWord = new WeakMap<Queries, Map<string, Queries[number][]>>();

/** The searches that hold a word, gathered once for each state of the log. */
function queriesByWord(queries: Queries): Map<string, Queries[number][]> {
  let known = byWord.get(queries);
  if (!known) {
    known = new Map();
    for (const query of queries)
      for (const word of new Set(query.text.split(" "))) {
        const own = known.get(word);
        if (own) own.push(query);
        else known.set(word, [query]);
      }
    byWord.set(queries, known);
  }
  return known;
}

/** Puts numbers and examples to a draft. */
export function weigh({ searcher, stats, at }: Evidence, { rule, source, reason }: ProposalDraft): Proposal {
  const added = addedBy(searcher, rule);
  const examples = countBits(added) === 0 ? [] : examplesOf(searcher, rule, added, at);
  const asked = rule.words.slice(0, 20).reduce((sum, word) => sum + timesAsked(stats, word), 0);
  const finds = countBits(answersOf(searcher, rule.words[0]));
  return { rule, source, reason, asked, finds, adds: countBits(added), examples };
}

/** Titles of the best of the products that a rule adds. */
function examplesOf(searcher: Searcher, rule: WordRule, added: Bits, at: number): string[] {
  const others = "to" in rule ? rule.to : rule.words.slice(1);
  const request = requestOf({ query: others[0], limit: 50, fields: [] });
  const best = search(searcher, request, { at, visible: () => false }).hits.flatMap(({ id }) => {
    const number = productNumber(searcher.index, id);
    return hasBit(added, number) ? [id] : [];
  });
  const ids =
    best.length > 0 ? best : [...listBits(added).subarray(0, MOST_EXAMPLES)].map((product) => stringAt(searcher.index.ids, product));
  return titlesOf(searcher.index, ids.slice(0, MOST_EXAMPLES));
}

function addedBy(searcher: Searcher, rule: WordRule): Bits {
  const none = emptyBits(searcher.index.products);
  const [first, ...others] = rule.does === "synonym" ? rule.words : [rule.words[0], ...("to" in rule ? rule.to : [])];
  if (!["synonym", "one-way", "rewrite"].includes(rule.does)) return none;
  const own = answersOf(searcher, first);
  for (const word of others) {
    const more = answersOf(searcher, word);
    for (let i = 0; i < none.length; i++) none[i] |= more[i] & ~own[i];
  }
  return none;
}
