import { lookUp } from "@core/records";
import { Select, TextInput } from "@ui/controls";
import { useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { useLeaving } from "../forms/leave";
import { Empty } from "../frame/Screen";
import { useOpenRow } from "../frame/useOpenRow";
import { useOpen } from "../state/bench";
import { chooseRules, type Does, KINDS, kindOf, type Order, RULE_SWITCHES, type RuleSwitch } from "./kinds";
import { BLANK, draftOf, RuleForm } from "./RuleForm";
import { useWordUse } from "./useWordUse";
import { WordFile } from "./WordFile";
import { WordTable } from "./WordTable";

const ALL = "all";
const NONE = { searches: 0, clicked: 0, rules: {} };

/** The one table of word rules, and the sentence in which one is made. */
export default function Rules() {
  const { settings } = useOpen("settings");
  const use = useWordUse() ?? NONE;
  const [search, setSearch] = useState("");
  const [does, setDoes] = useState<Does | null>(null);
  const [are, setAre] = useState<RuleSwitch>("all");
  const [order, setOrder] = useState<Order>("newest");
  const [open, setOpen] = useOpenRow();
  // From a search that misses a product: the word to give a meaning to.
  const [address] = useSearchParams();
  const asked = address.get("word");
  const rules = useMemo(
    () => chooseRules(settings.words, { search, does, are, order, uses: use.rules }),
    [settings.words, search, does, are, order, use.rules],
  );
  const counts = useMemo(() => countKinds(Object.values(settings.words).map((rule) => rule.does)), [settings.words]);
  const changed = open !== null && lookUp(settings.words, open) ? open : null;
  const total = Object.keys(settings.words).length;
  const onCount = Object.values(settings.words).filter(({ on }) => on).length;
  return (
    <div className="flex h-full flex-col px-5 pt-3">
      <h1 className="sr-only">Word rules</h1>
      <RuleForm
        key={changed ?? `new ${asked}`}
        id={changed}
        start={changed ? draftOf(lookUp(settings.words, changed)) : { ...BLANK, words: asked ? [asked] : [] }}
        onDone={() => setOpen(null)}
      />
      <div className="mt-2.5 flex flex-wrap items-center gap-1.5">
        <TextInput
          aria-label="Search in the rules"
          placeholder="Search in the rules"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          className="min-w-[220px] flex-1"
        />
        <Select
          value={does ?? ALL}
          label="Kind of rule"
          options={[
            { value: ALL, label: `All rules (${total})` },
            ...KINDS.filter((kind) => counts.has(kind.does)).map((kind) => ({
              value: kind.does,
              label: `${kind.label} (${counts.get(kind.does)})`,
            })),
          ]}
          onChange={(value) => setDoes(value === ALL ? null : kindOf(value as Does).does)}
        />
        <Select
          value={are}
          label="On or off"
          options={[
            { value: "all", label: "On or off" },
            { value: "on", label: `On (${onCount})` },
            { value: "off", label: `Off (${total - onCount})` },
          ]}
          onChange={(value) => setAre(RULE_SWITCHES.find((one) => one === value) ?? "all")}
        />
        <Select
          value={order}
          label="Order"
          options={[
            { value: "newest", label: "Newest first" },
            { value: "words", label: "By alphabet" },
            { value: "acted", label: "Most used" },
          ]}
          onChange={(value) => setOrder(value as Order)}
        />
        <WordFile />
      </div>
      {total === 0 ? (
        <div className="mt-3">
          <Empty>None yet. Think of what shoppers call a thing and the texts do not: try “aubergine” and “eggplant”.</Empty>
        </div>
      ) : (
        <WordTable
          rules={rules}
          uses={use.rules}
          usual={use.searches > 0 ? use.clicked / use.searches : null}
          onOpen={(id) => useLeaving.getState().leave(() => setOpen(id))}
        />
      )}
    </div>
  );
}

function countKinds(kinds: readonly Does[]): Map<Does, number> {
  const counts = new Map<Does, number>();
  for (const does of kinds) counts.set(does, (counts.get(does) ?? 0) + 1);
  return counts;
}
