import type { SearchAnswer } from "@contract/search";
import type { Behind } from "@core/shelves/choose";
import type { Rest } from "@core/shelves/when";

const BEHIND: Record<Behind, string> = {
  place: "it is for more than this",
  match: "it fits more loosely",
  words: "it names fewer words",
  rank: "it comes later in order",
};
const RESTS: Record<Rest, string> = {
  off: "switched off",
  "not-yet": "has not begun",
  over: "is over",
  weekday: "not on this day of the week",
  hours: "not at this time of day",
  device: "not on this device",
  language: "not in this language",
  filters: "waits for chosen filters",
};
const MOST = 2;

/** Which shelves stood behind the acting one, and which rest, each with the reason. */
export function ShelfTrace({ answer }: { answer: SearchAnswer }) {
  const { shelvesBehind, shelvesResting = [] } = answer;
  const rows = [
    ...shelvesBehind.map(({ id, name, because }) => ({ id, name, verb: "behind it", why: BEHIND[because] })),
    ...shelvesResting.map(({ id, name, because }) => ({ id, name, verb: "resting", why: RESTS[because] })),
  ];
  if (rows.length === 0) return null;
  return (
    <>
      {rows.slice(0, MOST).map(({ id, name, verb, why }) => (
        <span key={`${verb}${id}`}>
          {verb}: <b className="text-ink">{name}</b>, {why}
        </span>
      ))}
      {rows.length > MOST && (
        <span
          title={rows
            .slice(MOST)
            .map(({ name, verb, why }) => `${name}, ${verb}: ${why}`)
            .join("\n")}
        >
          and {rows.length - MOST} more shelves
        </span>
      )}
    </>
  );
}
