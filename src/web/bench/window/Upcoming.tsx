import type { UpcomingChange } from "@contract/shelves";
import { dates, plural } from "@ui/format";
import { CalendarClock } from "lucide-react";
import { toRequest } from "../../shop/address";
import { useFact } from "../ask/useAsk";
import { shopState, useBench, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";

const SHOWN = 2;
const PAUSE = 400;

/** When the results of this search change by themselves, and why. A press travels there. */
export function Upcoming() {
  const { store } = useOpen("store");
  const { mode, at, set } = useWindowParts("mode", "at", "set");
  const changes = useUpcoming(mode === "live" ? "live" : "draft");
  if (changes.length === 0) return null;
  const format = dates({
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone: store.timeZone,
  });
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-0.5 border-b border-rule px-3.5 py-1 text-[12.5px] text-soft">
      <CalendarClock className="size-3.5 shrink-0" aria-hidden />
      <span className="sr-only">Scheduled changes</span>
      {changes.slice(0, SHOWN).map((change) => (
        <button
          key={change.at}
          type="button"
          aria-pressed={at === change.at}
          title="Show the shop as it will be then"
          className="text-left hover:text-ink"
          onClick={() => set({ at: change.at })}
        >
          <b className="font-semibold text-draft">{format.format(new Date(change.at)).replace(/,? 00:00$/, "")}</b> {sayTurns(change)}
          {change.moved > 0 && `, ${plural(change.moved, "product")} ${change.moved === 1 ? "moves" : "move"}`}
        </button>
      ))}
      {changes.length > SHOWN && (
        <span
          title={changes
            .slice(SHOWN)
            .map((change) => `${format.format(new Date(change.at))} ${sayTurns(change)}`)
            .join("\n")}
        >
          and {plural(changes.length - SHOWN, "change")} more
        </span>
      )}
    </div>
  );
}

/** “Gifts” begins, “Bulbs” ends */
function sayTurns({ turns }: UpcomingChange): string {
  const said = turns.map(({ name, begins }) => `“${name}” ${begins ? "begins" : "ends"}`);
  return said.length <= SHOWN ? said.join(", ") : `${said.slice(0, SHOWN).join(", ")} and ${said.length - SHOWN} more`;
}

/** Asked for once the results stand still; nothing is asked where nothing is planned at all. */
function useUpcoming(source: "draft" | "live"): readonly UpcomingChange[] {
  const { open } = useBench.getState();
  const { address, at, draft, live } = useWindowParts("address", "at", "draft", "live");
  const isPlanned = (source === "live" ? live?.answer.nextChangeAt : draft?.nextChangeAt) != null;
  const body = isPlanned && open ? { ...toRequest({ ...address, page: 1 }, [], shopState(open)[source]), at, source } : null;
  return useFact("POST /api/stores/{store}/search/upcoming", body && { body }, { of: source, pause: PAUSE }) ?? NONE;
}

const NONE: readonly UpcomingChange[] = [];
