import { plural } from "@ui/format";
import { call, isAborted } from "@ui/http";
import { CalendarClock } from "lucide-react";
import { useEffect, useState } from "react";
import { toRequest } from "../../shop/address";
import { shopState, useBench, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";

interface Change {
  at: string;
  turns: { part: string; id: string; name: string; begins: boolean }[];
  total: number;
  moved: number;
  shelf: string | null;
  outcome: string;
}

const SHOWN = 2;
const PAUSE = 400;

/** When the results of this search change by themselves, and why. A press travels there. */
export function Upcoming() {
  const { store } = useOpen("store");
  const { mode, at, set } = useWindowParts("mode", "at", "set");
  const changes = useUpcoming(mode === "live" ? "live" : "draft");
  if (changes.length === 0) return null;
  const format = new Intl.DateTimeFormat("en-GB", {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone: store.timeZone,
  });
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-0.5 border-b border-rule px-3.5 py-1 text-[12.5px] text-soft">
      <CalendarClock className="size-3.5 shrink-0" aria-hidden />
      <span className="sr-only">This search changes by itself</span>
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
          {change.moved > 0 && `, ${plural(change.moved, "place")}`}
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
function sayTurns({ turns }: Change): string {
  const said = turns.map(({ name, begins }) => `“${name}” ${begins ? "begins" : "ends"}`);
  return said.length <= SHOWN ? said.join(", ") : `${said.slice(0, SHOWN).join(", ")} and ${said.length - SHOWN} more`;
}

/** Asked for once the results stand still; nothing is asked where nothing is planned at all. */
function useUpcoming(source: "draft" | "live"): readonly Change[] {
  const { store, revision, release } = useOpen("store", "revision", "release");
  const { address, at, draft, live, device } = useWindowParts("address", "at", "draft", "live", "device");
  const [changes, setChanges] = useState<readonly Change[]>([]);
  const isPlanned = (source === "live" ? live?.answer.nextChangeAt : draft?.nextChangeAt) != null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision or release changes at other times
  useEffect(() => {
    const { open } = useBench.getState();
    if (!isPlanned || !open) return setChanges([]);
    const controller = new AbortController();
    const timer = setTimeout(() => {
      const request = { ...toRequest({ ...address, page: 1 }, [], shopState(open)[source]), at, source };
      call<Change[]>(`/api/stores/${store.id}/search/upcoming`, { body: request, signal: controller.signal }).then(
        setChanges,
        (error) => !isAborted(error) && setChanges([]),
      );
    }, PAUSE);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [store.id, revision, release, address, at, source, isPlanned, device]);
  return changes;
}
