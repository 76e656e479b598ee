import type { OwnSearchFacts, ReadOwnSearches } from "@contract/search-box";
import { lookUp } from "@core/records";
import { OwnSearch } from "@core/settings/box/box";
import { add, change, freeId, remove } from "@core/settings/patch";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { percent, plural } from "@ui/format";
import { toast } from "@ui/toast";
import { CalendarDays, Trash2 } from "lucide-react";
import { useMemo, useState } from "react";
import { Empty } from "../../frame/Screen";
import { AddLine } from "../../pieces/AddLine";
import { BulkBar } from "../../pieces/BulkBar";
import { NumberLine } from "../../pieces/NumberLine";
import { sayProblems, TableFile } from "../../pieces/TableFile";
import type { Column } from "../../pieces/table/columns";
import { VirtualTable } from "../../pieces/table/VirtualTable";
import { useBenchParts, useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { Dates } from "./Dates";
import { useOwnFacts } from "./useOwnFacts";

type Entry = [string, OwnSearch];
const pathOf = (id: string) => ["box", "list", id] as const;

/** The searches that the shop itself wants completed, in one table. */
export default function OwnList() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  const facts = useOwnFacts();
  const { list } = settings.box;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [dated, setDated] = useState<string | null>(null);
  const rows = useMemo(
    (): Entry[] =>
      Object.entries(list).sort(([, a], [, b]) => b.priority - a.priority || (a.text.toLowerCase() < b.text.toLowerCase() ? -1 : 1)),
    [list],
  );
  const here = rows.filter(([id]) => chosen.has(id)).map(([id]) => id);
  const addSearch = (text: string) => {
    const known = rows.find(([, entry]) => entry.text.toLowerCase() === text.toLowerCase());
    if (known) toast.warning(`“${known[1].text}” is in the list already.`);
    return !known && edit([add(pathOf(freeId(list, text)), OwnSearch.parse({ text }))]);
  };
  const take = async ({ entries, same, problems }: ReadOwnSearches, name: string) => {
    const read = Object.entries(entries);
    if (read.length > 0) await edit(read.map(([id, value]) => add(pathOf(id), value)));
    const said = [
      `${plural(read.length, "search", "searches")} taken from ${name}.`,
      same > 0 && `${same} were there already.`,
      problems.length > 0 && `${plural(problems.length, "line")} left out: ${sayProblems(problems)}`,
    ];
    (problems.length > 0 ? toast.warning : toast.success)(said.filter(Boolean).join(" "), { duration: 10_000 });
  };
  const columns: Column<Entry>[] = [
    {
      id: "search",
      head: "Search, and what it finds",
      width: "minmax(0,1fr)",
      by: ([, entry]) => entry.text,
      cell: ([id, entry]) => <Said entry={entry} facts={lookUp(facts, id)} />,
    },
    {
      id: "priority",
      head: "Priority",
      title: "0 to 100; the higher ones come first",
      width: "52px",
      by: ([, entry]) => entry.priority,
      cell: ([id, entry]) => (
        <NumberLine
          label={`Priority of ${entry.text}`}
          value={entry.priority}
          min={0}
          max={100}
          className="w-12"
          onCommit={(priority) => void edit(change(pathOf(id), { priority }))}
        />
      ),
    },
    {
      id: "offered",
      head: "Offered",
      width: "92px",
      by: ([id]) => lookUp(facts, id)?.shown ?? 0,
      cell: ([id]) => <Offered facts={lookUp(facts, id)} />,
    },
    {
      id: "dates",
      head: "Dates",
      isHidden: true,
      width: "28px",
      cell: ([id, entry]) => (
        <IconButton
          label={`Dates of ${entry.text}`}
          onClick={() => setDated(dated === id ? null : id)}
          className={entry.from || entry.until ? "!text-press" : ""}
        >
          <CalendarDays className="size-4" />
        </IconButton>
      ),
    },
    {
      id: "on",
      head: "On",
      width: "30px",
      by: ([, entry]) => (entry.on ? 1 : 0),
      cell: ([id, entry]) => (
        <Toggle checked={entry.on} label={`${entry.text}: on`} onChange={(on) => void edit(change(pathOf(id), { on }))} />
      ),
    },
    {
      id: "remove",
      head: "Remove",
      isHidden: true,
      width: "28px",
      cell: ([id, entry]) => (
        <IconButton label={`Remove ${entry.text}`} onClick={() => void edit([remove(pathOf(id))])}>
          <Trash2 className="size-4" />
        </IconButton>
      ),
    },
  ];
  return (
    <div className="flex h-full flex-col px-5 pt-4">
      <h1 className="text-[22px]/7">Own list</h1>
      <p className="mt-0.5 mb-2 max-w-[480px] text-soft">
        Searches that you want completed, before those of the log and the catalogue’s words.
      </p>
      <div className="flex items-center gap-1.5">
        <AddLine label="Search to complete" placeholder="lavender for hedges" look="main" onAdd={addSearch} />
        <TableFile what="searches" from="GET /api/stores/{store}/box/list.csv" to="POST /api/stores/{store}/box/list/read" onRead={take} />
      </div>
      {rows.length === 0 ? (
        <div className="mt-3">
          <Empty>None yet. Think of what you would tell a shopper who asks you for “{"lav"}…”.</Empty>
        </div>
      ) : (
        <>
          <div className="flex h-8 items-center gap-2 text-[13px]">
            <span role="status" className="text-soft">
              {plural(rows.length, "search", "searches")}
            </span>
            <BulkBar
              paths={here.map(pathOf)}
              nouns={["search", "searches"]}
              onEdit={(operations) => {
                void edit(operations);
                setChosen(new Set());
              }}
            />
          </div>
          {dated && lookUp(list, dated) && <Dates id={dated} entry={lookUp(list, dated)} onDone={() => setDated(null)} />}
          <VirtualTable
            label="Own list of searches"
            rows={rows}
            keyOf={([id]) => id}
            nameOf={([, entry]) => entry.text}
            isDraft={([id, entry]) => JSON.stringify(entry) !== JSON.stringify(lookUp(live.box.list, id))}
            rowHeight={44}
            columns={columns}
            nouns="searches"
            chosen={chosen}
            onChoose={setChosen}
          />
        </>
      )}
    </div>
  );
}

function Said({ entry, facts }: { entry: OwnSearch; facts: OwnSearchFacts["entries"][string] | undefined }) {
  const { set } = useWindowParts("set");
  const isLost = facts && facts.finds === 0 && !facts.redirect;
  return (
    <span className={`block leading-[17px] ${entry.on ? "" : "opacity-60"}`}>
      <button
        type="button"
        title={`Type “${entry.text}” into the box`}
        onClick={() => set({ sample: entry.text })}
        className="block max-w-full truncate font-semibold hover:text-press"
      >
        {entry.text}
      </button>
      <span className={`block truncate text-[12.5px] ${isLost ? "text-loss" : "text-soft"}`}>
        {!facts
          ? " "
          : facts.redirect
            ? `leads elsewhere: ${facts.redirect}`
            : isLost
              ? "finds nothing: not offered"
              : facts.corrected
                ? `finds ${plural(facts.finds, "product")}, by a correction`
                : `finds ${plural(facts.finds, "product")}`}
      </span>
    </span>
  );
}

function Offered({ facts }: { facts: OwnSearchFacts["entries"][string] | undefined }) {
  return (
    <span className="block text-[12px] leading-4 text-soft">
      {facts && facts.shown > 0 ? (
        <>
          {plural(facts.shown, "time")}
          <span className="block">{percent(facts.taken / facts.shown)} taken</span>
        </>
      ) : (
        "not yet"
      )}
    </span>
  );
}
