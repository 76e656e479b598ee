import type { OwnSearch } from "@core/settings/box/box";
import { set } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useBenchParts, useOpen } from "../../state/bench";

/** From when to when a search of the list is offered. */
export function Dates({ id, entry, onDone }: { id: string; entry: OwnSearch; onDone: () => void }) {
  const { store } = useOpen("store");
  const { edit } = useBenchParts("edit");
  return (
    <div className="mb-1 flex flex-wrap items-center gap-2 rounded border border-rule bg-raised px-2 py-1.5 text-[13px]">
      <b className="font-semibold">{entry.text}</b>
      <ZonedSpan
        value={entry}
        timeZone={store.timeZone}
        onChange={({ from, until }) => void edit([set(["box", "list", id, "from"], from), set(["box", "list", id, "until"], until)])}
      />
      <Button className="ml-auto" onClick={onDone}>
        Done
      </Button>
    </div>
  );
}
