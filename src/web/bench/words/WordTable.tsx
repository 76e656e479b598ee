import { lookUp } from "@core/records";
import { remove, set } from "@core/settings/patch";
import type { WordRule } from "@core/settings/schema";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { ago, count, percent, plural } from "@ui/format";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { BulkBar } from "../pieces/BulkBar";
import type { Column } from "../pieces/table/columns";
import { VirtualTable } from "../pieces/table/VirtualTable";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { type RuleUse, saysOf, withOf } from "./kinds";
import { useWordCounts } from "./useWordCounts";

const ROW = 46;

type Entry = [string, WordRule];

interface Props {
  rules: Entry[];
  uses: Readonly<Record<string, RuleUse>>;
  /** Share of all searches of the log that led to a click, null without a log. */
  usual: number | null;
  onOpen: (id: string) => void;
}

/** All word rules, one a row; thousands of them scroll as well as ten. */
export function WordTable({ rules, uses, usual, onOpen }: Props) {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [inSight, setInSight] = useState<readonly Entry[]>([]);
  const counts = useWordCounts(inSight.flatMap(([, rule]) => (rule.does === "ignore" ? [] : rule.words.slice(0, 3))));
  const here = rules.filter(([id]) => chosen.has(id)).map(([id]) => id);
  const columns: Column<Entry>[] = [
    {
      id: "words",
      head: "Words, and what they do",
      width: "minmax(0,1fr)",
      by: ([, rule]) => rule.words[0],
      cell: ([id, rule]) => <Said rule={rule} use={lookUp(uses, id)} counts={counts} onOpen={() => onOpen(id)} />,
    },
    {
      id: "used",
      head: "Times used",
      title: "In the searches of the log",
      width: "92px",
      by: ([id]) => lookUp(uses, id)?.acted ?? 0,
      cell: ([id]) => <Used use={lookUp(uses, id)} usual={usual} />,
    },
    {
      id: "on",
      head: "On",
      width: "30px",
      by: ([, rule]) => (rule.on ? 1 : 0),
      cell: ([id, rule]) => (
        <Toggle checked={rule.on} label={`${rule.words[0]}: on`} onChange={(on) => void edit([set(["words", id, "on"], on)])} />
      ),
    },
    {
      id: "remove",
      head: "Remove",
      isHidden: true,
      width: "28px",
      cell: ([id, rule]) => (
        <IconButton label={`Remove the rule for ${rule.words[0]}`} onClick={() => void edit([remove(["words", id])])}>
          <Trash2 className="size-4" />
        </IconButton>
      ),
    },
  ];
  return (
    <>
      <div className="flex h-8 items-center gap-2 text-[13px]">
        <span role="status" className="text-soft">
          {plural(rules.length, "rule")}
        </span>
        <BulkBar
          paths={here.map((id) => ["words", id] as const)}
          nouns={["rule", "rules"]}
          onEdit={(operations) => {
            void edit(operations).then((isTaken) => isTaken && setChosen(new Set()));
          }}
        />
      </div>
      <VirtualTable
        label="Word rules"
        rows={rules}
        keyOf={([id]) => id}
        nameOf={([, rule]) => rule.words[0]}
        isDraft={([id, rule]) =>
          lookUp(settings.words, id) !== lookUp(live.words, id) && JSON.stringify(rule) !== JSON.stringify(lookUp(live.words, id))
        }
        rowHeight={ROW}
        columns={columns}
        nouns="rules"
        chosen={chosen}
        onChoose={setChosen}
        onShown={setInSight}
      />
    </>
  );
}

const MOST_WORDS = 5;

interface SaidProps {
  rule: WordRule;
  use: RuleUse | undefined;
  counts: ReadonlyMap<string, number>;
  onOpen: () => void;
}

function Said({ rule, use, counts, onOpen }: SaidProps) {
  const { settings, fields } = useOpen("settings", "fields");
  const { try: tryQuery } = useWindowParts("try");
  const labelOf = (key: string) => fields.find((field) => field.key === key)?.label ?? key;
  const rest = rule.words.length - MOST_WORDS;
  return (
    <span className={`block leading-[18px] ${rule.on ? "" : "opacity-60"}`}>
      <span className="flex items-baseline gap-x-1.5 overflow-hidden whitespace-nowrap">
        {rule.words.slice(0, MOST_WORDS).map((word, i) => (
          <span key={word} className="shrink-0">
            {i > 0 && <span className="mr-1.5 text-soft">{rule.does === "synonym" ? "=" : "·"}</span>}
            <button
              type="button"
              className="font-semibold hover:text-press"
              title={`Try “${word}” in the window`}
              onClick={() => tryQuery(word)}
            >
              {word}
            </button>
            {counts.has(word) && <small className="ml-1 text-[11.5px] text-soft">{count(counts.get(word) ?? 0)}</small>}
          </span>
        ))}
        {rest > 0 && <span className="text-soft">+{rest}</span>}
      </span>
      <button
        type="button"
        title={`Change this rule: ${rule.words.join(", ")} ${saysOf(rule.does)}`}
        onClick={onOpen}
        className="block w-full truncate text-left text-[12.5px] text-soft hover:text-press"
      >
        {saysOf(rule.does)} <b className="font-semibold text-ink">{withOf(rule, settings, labelOf)}</b>
        {rule.does === "intent" && (rule.as === "prefer" ? " first" : " only")}
        {use?.by && ` · ${use.by}${use.at ? `, ${ago(use.at)}` : ""}`}
      </button>
    </span>
  );
}

/** How often a rule was used, and whether its searches are clicked more or less than others. */
function Used({ use, usual }: { use: RuleUse | undefined; usual: number | null }) {
  if (!use || use.acted === 0) return <span className="text-[12px] text-soft">{usual === null ? "" : "not yet"}</span>;
  const share = use.clicked / use.acted;
  const isWorse = usual !== null && use.acted >= 10 && share < usual * 0.7;
  return (
    <span
      className="block text-[12px] leading-4"
      title={`${percent(share)} of its searches led to a click${usual === null ? "" : `; of all searches ${percent(usual)}`}`}
    >
      {plural(use.acted, "search", "searches")}
      <span className={`block ${isWorse ? "font-semibold text-loss" : "text-soft"}`}>{percent(share)} clicked</span>
    </span>
  );
}
