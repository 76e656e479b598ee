import type { WordRule } from "../../settings/schema";
import { conflictsOf } from "../words/conflicts";
import { type Evidence, type Proposal, type ProposalDraft, weigh } from "./context";
import { proposeFromCatalogue, proposeLiteral, proposeTogether } from "./from-catalogue";
import { proposeFromLexicon, proposeIgnored, proposePointers } from "./from-lists";
import { proposeFromLog } from "./from-log";

const WAYS: readonly ((evidence: Evidence) => Generator<ProposalDraft | null>)[] = [
  proposeFromLog,
  proposePointers,
  proposeFromCatalogue,
  proposeFromLexicon,
  proposeIgnored,
  proposeTogether,
  proposeLiteral,
];
const MOST_OF_A_WAY = 60;

/**
 * Word rules that the log, the catalogue and the lists speak for, one at a time, with pauses (null) between the steps of
 * the work. What a rule says already, or what would conflict with one, is not proposed.
 */
export function* proposeRules(evidence: Evidence): Generator<Proposal | null> {
  const { settings } = evidence.searcher;
  const said = new Set<string>();
  for (const way of WAYS) {
    let count = 0;
    for (const draft of way(evidence)) {
      if (count >= MOST_OF_A_WAY) break;
      if (!draft || conflictsOf(settings.words, null, draft.rule).length > 0 || said.has(keyOf(draft.rule))) {
        yield null;
        continue;
      }
      const proposal = weigh(evidence, draft);
      const widens = ["synonym", "one-way", "rewrite"].includes(draft.rule.does);
      // A rule that adds nothing is idle; one that adds a great part of the range says too much.
      if (widens && (proposal.adds === 0 || proposal.adds > Math.max(60, evidence.searcher.index.products * 0.05))) {
        yield null;
        continue;
      }
      said.add(keyOf(draft.rule));
      count++;
      yield proposal;
    }
  }
}

function keyOf(rule: WordRule): string {
  return `${rule.does}:${[...rule.words, ...("to" in rule ? rule.to : [])].sort().join("\n")}`;
}
