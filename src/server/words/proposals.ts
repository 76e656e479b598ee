import type { Proposal } from "@core/insights/propose/context";
import { proposeRules } from "@core/insights/propose/propose";
import type { Settings } from "@core/settings/schema";
import { functionWordsOf } from "@core/text/function-words";
import type { StoreView } from "../engine/view";
import { shareWork } from "../task";
import { runYielding } from "../yielding";
import { lexiconFor } from "./lexicon";

interface Known {
  catalogue: number;
  log: number;
  words: Settings["words"];
  attributes: Settings["attributes"];
  join: () => Promise<Proposal[]>;
}

const known = new WeakMap<StoreView, Known>();

/** The proposals for a store, worked out once for each state of its catalogue, its log and its rules. */
export function proposalsOf(store: StoreView): Promise<Proposal[]> {
  const { catalogueNumber: catalogue, log, settings } = store;
  const { words, attributes } = settings;
  const old = known.get(store);
  if (old && old.catalogue === catalogue && old.log === log.number && old.words === words && old.attributes === attributes)
    return old.join();
  const join = shareWork(() => workOut(store));
  known.set(store, { catalogue, log: log.number, words, attributes, join });
  const proposals = join();
  proposals.catch(() => {
    if (known.get(store)?.join === join) known.delete(store);
  });
  return proposals;
}

async function workOut(store: StoreView): Promise<Proposal[]> {
  const { searcher } = store.searcher("draft");
  const { locale } = store.row;
  const proposals: Proposal[] = [];
  const steps = proposeRules({
    searcher,
    stats: store.log.stats,
    at: Date.now(),
    lexicon: await lexiconFor(locale),
    stopwords: functionWordsOf(locale),
  });
  await runYielding(
    (function* () {
      for (const proposal of steps) {
        if (proposal) proposals.push(proposal);
        yield;
      }
    })(),
  );
  return proposals;
}
