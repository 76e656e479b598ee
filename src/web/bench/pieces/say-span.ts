import { dates } from "@ui/format";
/** "1 Dec to 24 Dec, 12:00", on the clock of a zone, with the year where it is another one; nothing for a span that is open. */
export function saySpan({ from, until }: { from: string | null; until: string | null }, timeZone: string, now = Date.now()): string {
  const year = new Date(now).getUTCFullYear();
  const say = (iso: string) => {
    const isOther = new Date(iso).getUTCFullYear() !== year;
    const date = {
      day: "numeric",
      month: "short",
      hour: "2-digit",
      minute: "2-digit",
      ...(isOther ? ({ year: "numeric" } as const) : {}),
    } as const;
    return dates({ ...date, timeZone })
      .format(new Date(iso))
      .replace(/,? (?:at )?00:00$/, "");
  };
  if (from && until) return `${say(from)} to ${say(until)}`;
  return from ? `from ${say(from)}` : until ? `until ${say(until)}` : "";
}
