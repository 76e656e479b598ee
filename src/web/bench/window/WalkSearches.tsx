import { count, percent } from "@ui/format";
import { PopupContent } from "@ui/PopupContent";
import { Popover } from "radix-ui";
import type { AskedSearch } from "../state/walk";

interface Props {
  searches: readonly AskedSearch[];
  /** The one that is tried, from 0; -1 before the first. */
  place: number;
  onPick: (place: number) => void;
}

/** How many searches there are to step through, and all of them in a list, each to be tried. */
export function WalkSearches({ searches, place, onPick }: Props) {
  const text = searches.length === 0 ? "none" : place < 0 ? `${searches.length}` : `${place + 1} of ${searches.length}`;
  return (
    <Popover.Root>
      <Popover.Trigger
        disabled={searches.length === 0}
        aria-label={`List of searches: ${text}`}
        title="All of them in a list"
        className="min-w-[52px] rounded text-center tabular-nums hover:bg-press-soft hover:text-ink disabled:hover:bg-transparent"
      >
        {text}
      </Popover.Trigger>
      <PopupContent align="start" sideOffset={4} className="max-h-[420px] w-[340px] overflow-y-auto p-1 text-[13px]">
        <ol>
          {searches.map((search, at) => (
            <li key={search.text}>
              <Popover.Close
                aria-current={at === place ? "true" : undefined}
                onClick={() => onPick(at)}
                className="flex w-full items-baseline gap-3 rounded px-2 py-1 text-left hover:bg-press-soft aria-[current]:font-semibold"
              >
                <span className="min-w-0 flex-1 truncate">{search.text}</span>
                <span className="text-[12px] whitespace-nowrap text-soft">{sayOf(search)}</span>
              </Popover.Close>
            </li>
          ))}
        </ol>
      </PopupContent>
    </Popover.Root>
  );
}

function sayOf({ asked, clicked, judged }: AskedSearch): string {
  if (judged) {
    const said = [judged.good > 0 && `${judged.good} good`, judged.bad > 0 && `${judged.bad} bad`].filter(Boolean).join(", ");
    return `${said}, ${judged.by}`;
  }
  return asked > 0 ? `${count(asked)} ×, ${percent(clicked / asked)} clicked` : "";
}
