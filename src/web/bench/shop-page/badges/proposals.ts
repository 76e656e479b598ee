import type { Field } from "@contract/fields";
import type { Badge } from "@core/settings/page/badge";

type NewBadge = Omit<Badge, "rank">;

const rest = { colour: null, place: "picture-start", on: true, from: null, until: null } as const;

/** Badges that a catalogue's fields allow, with the reason; those of a role that it lacks are not proposed. */
export function proposedBadges(fields: readonly Field[], language: string): { badge: NewBadge; reason: string }[] {
  const byRole = (role: string) => fields.find((field) => field.role === role && field.coverage > 0);
  const say = (en: string, de: string) => ({ [language]: language === "de" ? de : en });
  const [sale, stock, added, rating] = ["salePrice", "stock", "added", "rating"].map(byRole);
  const proposals: { badge: NewBadge; reason: string }[] = [];
  if (sale)
    proposals.push({
      badge: {
        ...rest,
        name: "Reduced",
        text: say("{discount} % off", "−{discount} %"),
        condition: { field: ":discount", between: [1, null] },
        tone: "loss",
      },
      reason: "where a product costs less than its list price",
    });
  if (stock)
    proposals.push({
      badge: {
        ...rest,
        name: "Few left",
        text: say("{left} left", "Nur noch {left}"),
        condition: { field: stock.key, between: [1, 3] },
        tone: "ink",
        place: "picture-end",
      },
      reason: `where ${stock.label} is 1 to 3`,
    });
  if (added)
    proposals.push({
      badge: { ...rest, name: "New", text: say("New", "Neu"), condition: { field: added.key, newerThanDays: 60 }, tone: "press" },
      reason: `where ${added.label} is in the last 60 days`,
    });
  if (rating)
    proposals.push({
      badge: {
        ...rest,
        name: "Well liked",
        text: say("Well liked", "Beliebt"),
        condition: { field: rating.key, between: [4.7, null] },
        tone: "quiet",
        place: "text",
      },
      reason: `where ${rating.label} is 4.7 or more`,
    });
  return proposals;
}
