import type { WordProposal } from "@contract/words";
import { add, freeId, type PatchOperation } from "@core/settings/patch";
import type { WordRule } from "@core/settings/schema";
import { Button } from "@ui/Button";
import { Select } from "@ui/controls";
import { count, plural } from "@ui/format";
import { useMemo, useState } from "react";
import { Failed } from "../ask/Answered";
import { Skeleton } from "../ask/Skeleton";
import { useAsk } from "../ask/useAsk";
import { Empty, Screen } from "../frame/Screen";
import { Trial } from "../pieces/Trial";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { KINDS, saysOf, withOf } from "./kinds";

const SOURCES: Record<WordProposal["source"], string> = {
  log: "from searches",
  catalogue: "from the catalogue",
  lexicon: "from a dictionary",
  list: "from a word list",
};
const ALL = "all";
/** Words that find fewer than this come first. */
const FEW = 4;

/** Rules that searches, the catalogue and word lists speak for. None enters the draft by itself. */
export default function Proposals() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  // What is taken disappears here at once; the list is not worked out anew for each.
  const asked = useAsk("GET /api/stores/{store}/words/proposals", {}, { of: "store" });
  const [kind, setKind] = useState(ALL);
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const proposals = asked.data;
  const shown = useMemo(
    () =>
      (proposals ?? [])
        .filter((proposal) => !gone.has(keyOf(proposal)) && (kind === ALL || proposal.rule.does === kind))
        .sort((a, b) => Number(a.finds >= FEW) - Number(b.finds >= FEW) || b.asked - a.asked || b.adds - a.adds),
    [proposals, gone, kind],
  );
  const dismiss = (proposal: WordProposal) => setGone(new Set([...gone, keyOf(proposal)]));
  const take = (proposal: WordProposal) => {
    void edit([addOf(settings.words, proposal.rule)]);
    dismiss(proposal);
  };
  const kinds = KINDS.filter(({ does }) => proposals?.some(({ rule }) => rule.does === does));
  return (
    <Screen
      title="Proposals"
      lead="Worked out from what shoppers tried, from the catalogue's own words and from open lists. Nothing enters the draft until you accept it."
      action={
        <Select
          value={kind}
          label="Kind of proposal"
          options={[{ value: ALL, label: "All kinds" }, ...kinds.map(({ does, label }) => ({ value: does, label }))]}
          onChange={setKind}
        />
      }
    >
      {asked.error ? (
        <Failed error={asked.error} onRetry={() => void asked.refetch()} />
      ) : proposals === undefined ? (
        <>
          <p className="mb-2 text-soft">Reading the searches and the catalogue …</p>
          <Skeleton height={64} />
        </>
      ) : shown.length === 0 ? (
        <Empty>Nothing to propose now. More comes as shoppers search, and with every import.</Empty>
      ) : (
        <ul className="border-t border-rule">
          {shown.map((proposal) => (
            <Row key={keyOf(proposal)} proposal={proposal} onTake={() => take(proposal)} onDismiss={() => dismiss(proposal)} />
          ))}
        </ul>
      )}
    </Screen>
  );
}

const keyOf = ({ rule }: WordProposal) => `${rule.does} ${rule.words.join()} ${"to" in rule ? rule.to.join() : ""}`;

function addOf(words: Record<string, unknown>, rule: WordRule): PatchOperation {
  return add(["words", freeId(words, rule.words[0])], rule);
}

function Row({ proposal, onTake, onDismiss }: { proposal: WordProposal; onTake: () => void; onDismiss: () => void }) {
  const { settings, fields } = useOpen("settings", "fields");
  const { try: tryQuery } = useWindowParts("try");
  const [isTried, setTried] = useState(false);
  const { rule, reason, source, asked, finds, adds, examples } = proposal;
  const labelOf = (key: string) => fields.find((field) => field.key === key)?.label ?? key;
  const words = rule.does === "synonym" ? rule.words.join(" = ") : rule.words.slice(0, 8).join(", ");
  const rest = rule.does === "synonym" ? 0 : Math.max(0, rule.words.length - 8);
  return (
    <li className="border-b border-rule py-2 text-[13px]">
      <p>
        <button
          type="button"
          className="font-semibold hover:text-press"
          onClick={() => tryQuery(rule.words[0])}
          title="Try it in the window"
        >
          {words}
        </button>
        {rest > 0 && <span className="text-soft"> and {rest} more</span>}{" "}
        <span className="text-soft">
          {saysOf(rule.does)} <b className="font-semibold text-ink">{withOf(rule, settings, labelOf)}</b>
          {rule.does === "intent" && (rule.as === "prefer" ? " first" : " only")}
        </span>
      </p>
      <p className="text-[12.5px] leading-[17px] text-soft">
        {reason}{" "}
        {adds > 0 && (
          <>
            Adds <b className="font-semibold text-ink">{plural(adds, "product")}</b>: {examples.join(" · ")}
          </>
        )}
      </p>
      <div className="mt-1 flex items-center gap-1">
        <p className="min-w-0 flex-1 text-[12px] text-soft">
          {SOURCES[source]}
          {asked > 0 && ` · searched ${plural(asked, "time")}`}
          {` · finds ${finds === 0 ? "nothing" : count(finds)}`}
        </p>
        <Button look="bare" aria-expanded={isTried} onClick={() => setTried(!isTried)}>
          Try
        </Button>
        <Button look="bare" onClick={onDismiss}>
          Not now
        </Button>
        <Button data-next-step onClick={onTake}>
          Accept
        </Button>
      </div>
      {isTried && <Trial patch={[addOf(settings.words, rule)]} words={rule.words} queries={rule.words.slice(0, 3)} />}
    </li>
  );
}
