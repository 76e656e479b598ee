import { lookUp } from "@core/records";
import type { Shelf } from "@core/settings/shelf";
import { excluded, grouped, pinned, setStrength, unpinned } from "@core/shelves/edit";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { useState } from "react";
import { Empty, Section } from "../../frame/Screen";
import { NumberLine } from "../../pieces/NumberLine";
import { SortableList } from "../../pieces/SortableList";
import { useProducts } from "../../pieces/useProducts";
import { toFactor } from "../../ranking/boosts/strength";
import { useWindowParts } from "../../state/window";
import { changeHere, shelfActions } from "../../window/shelf-actions";
import { EndRow } from "./EndRow";
import { Space } from "./Space";
import { END, groupOf, movedRow, rowsOf, seatIn } from "./space-rows";
import { useSearchFacts } from "./useSearchFacts";

const FIRST = 24;

/** The results of the search as the spaces of a shelf: drag one to where it should stand. */
export function Spaces({ shelf, id }: { shelf: Shelf | null; id: string | null }) {
  const { draft, address } = useWindowParts("draft", "address");
  const [most, setMost] = useState(FIRST);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const shown = (draft?.hits ?? []).slice(0, most);
  const facts = useProducts(shown.map((hit) => hit.id));
  const search = useSearchFacts(address.query);
  const change = (how: (own: Shelf) => Shelf) => changeHere(how, id);
  const before = (shown[0]?.position ?? 1) - 1;
  const rows = rowsOf(shown, shelf?.end ?? null, before);
  const here = chosen.filter((product) => shown.some((hit) => hit.id === product));
  if (!draft) return null;
  const firstPlace = shown.find((hit) => hit.id === here[0])?.position ?? 1;
  const act = (how: (own: Shelf) => Shelf) => {
    change(how);
    setChosen([]);
  };
  return (
    <Section
      title="On the shelf"
      note={`${plural(draft.total, "product")}${search && search.asked > 0 ? ` · searched ${plural(search.asked, "time")} in the log` : ""}`}
    >
      {here.length > 0 && (
        <div
          className="flex flex-wrap items-center gap-1.5 border-t border-rule bg-press-soft px-2 py-1.5 text-[13px]"
          role="group"
          aria-label="Chosen products"
        >
          <b className="mr-1 font-semibold">{here.length} chosen</b>
          <Button onClick={() => act((own) => grouped(own, inOrder(here, shown), firstPlace))}>Pin together at {firstPlace}</Button>
          <Button onClick={() => act((own) => here.reduce(unpinned, own))}>Unpin</Button>
          <NumberLine
            label="Raise or lower the chosen products by per cent"
            value={null}
            min={-99}
            max={9900}
            placeholder="± %"
            className="!w-14"
            onCommit={(percent) => act((own) => here.reduce((next, product) => setStrength(next, product, toFactor(percent)), own))}
          />
          <Button look="loss" onClick={() => act((own) => here.reduce(excluded, own))}>
            Exclude
          </Button>
          <Button look="bare" onClick={() => setChosen([])}>
            Leave
          </Button>
        </div>
      )}
      {shown.length === 0 && <Empty>Nothing is shown here. Add products to this shelf, or redirect the search.</Empty>}
      <SortableList ids={rows} onMove={(moved, place) => change((own) => movedRow(own, rows, moved, place, before))}>
        {rows.map((row) => {
          if (row === END) return <EndRow key={END} end={shelf?.end ?? 0} after={shelf?.after ?? "nothing"} onChange={change} />;
          const hit = shown.find((entry) => entry.id === row);
          if (!hit) return null;
          const group = groupOf(shelf, row);
          return (
            <Space
              key={row}
              hit={hit}
              facts={facts.get(row)}
              inSearch={lookUp(search?.products, row)}
              shelf={shelf}
              seat={shelf && group !== null ? seatIn(shelf, group, row, rows) : null}
              isChosen={chosen.includes(row)}
              onChoose={(on) => setChosen(on ? [...chosen, row] : chosen.filter((other) => other !== row))}
              onChange={change}
              onPin={(place) => change((own) => pinned(own, row, place))}
              onExclude={() => shelfActions.exclude(row, hit.title, id)}
            />
          );
        })}
      </SortableList>
      <div className="mt-1.5 flex gap-3 text-[13px]">
        {draft.hits.length > most && (
          <Button look="bare" className="!px-0" onClick={() => setMost(most + FIRST)}>
            {plural(Math.min(FIRST, draft.hits.length - most), "more space")}
          </Button>
        )}
        {(shelf?.end ?? 0) === 0 && shown.length > 0 && (
          <Button
            look="bare"
            className="!px-0"
            onClick={() => change((own) => ({ ...own, end: Math.min(8, draft.total), after: "results" }))}
          >
            Limit how many show
          </Button>
        )}
      </div>
    </Section>
  );
}

const inOrder = (ids: readonly string[], shown: readonly { id: string }[]) =>
  shown.filter((hit) => ids.includes(hit.id)).map((hit) => hit.id);
