import { keysOf } from "@core/catalogue/text-of";
import type { Catalogue } from "@core/catalogue/types";
import { optionValue } from "@core/index/columns";
import type { Condition } from "@core/settings/condition";
import type { Settings } from "@core/settings/schema";
import type { Shelf } from "@core/settings/shelf";

/** What a shelf does, worked out product by product. Products are numbers in the catalogue. */
export interface ReferenceShelf {
  excluded: (p: number) => boolean;
  /** Pinned ones and additions, of those that may be shown. */
  brought: number[];
  factor: (p: number) => number;
  /** Whether nothing stands but what it brings. */
  endsAtOnce: boolean;
  /** Sorts products that stand by match, first rows first. */
  inRows: (ordered: number[]) => number[];
  /** Products at their places, of those that remain. */
  place: (remaining: number[]) => number[];
  /** Cuts the whole order at the end of the shelf. */
  cut: (placed: number[]) => number[];
}

export function referenceShelf(
  catalogue: Catalogue,
  settings: Settings,
  shelf: Shelf | undefined,
  hidden: (p: number) => boolean,
  isSoldOut: (p: number) => boolean,
): ReferenceShelf {
  const { products, fields } = catalogue;
  const all = products.map((_, p) => p);
  if (!shelf) {
    const same = (list: number[]) => list;
    return { excluded: () => false, brought: [], factor: () => 1, endsAtOnce: false, inRows: same, place: same, cut: same };
  }
  const numberOf = (id: string) => products.findIndex((product) => product.id === id);
  const meets = (condition: Condition, p: number): boolean => {
    if ("selection" in condition) {
      const selection = settings.selections[condition.selection];
      return selection !== undefined && meets(selection.condition, p);
    }
    if (!("field" in condition)) throw new Error("The reference knows plain tests alone.");
    const field = fields.find(({ key }) => key === condition.field) ?? fields[0];
    const options = products[p].options.length === 0 ? [0] : products[p].options.map((_, o) => o);
    return options.some((o) => {
      const value = optionValue(field, products[p], o);
      if (condition.empty !== undefined) return (value === undefined) === condition.empty;
      return keysOf(field, value).includes(String(condition.is));
    });
  };
  const rules = Object.entries(shelf.rules)
    .sort(([idA, a], [idB, b]) => (a.rank === b.rank ? (idA < idB ? -1 : 1) : a.rank < b.rank ? -1 : 1))
    .filter(([, rule]) => rule.on)
    .map(([, rule]) => rule);
  const isExcluded = (p: number) =>
    shelf.exclude.includes(products[p].id) || rules.some((rule) => rule.does === "exclude" && meets(rule.condition, p));
  const stays = (p: number) => p >= 0 && !hidden(p) && !isExcluded(p);

  // Places: a pin of its own beats a group.
  const runs: { place: number; members: number[] }[] = [];
  const seen = new Set<number>();
  const put = (place: number, ids: string[]) => {
    const members = ids
      .map(numberOf)
      .filter((p) => stays(p) && !seen.has(p))
      .filter((p, i, list) => list.indexOf(p) === i);
    for (const p of members) seen.add(p);
    const kept = members.filter((p) => !isSoldOut(p) || shelf.soldOut === "keep");
    if (kept.length > 0) runs.push({ place, members: kept });
    if (shelf.soldOut === "last") for (const p of members) if (isSoldOut(p)) runs.push({ place: Infinity, members: [p] });
  };
  for (const [id, place] of Object.entries(shelf.pins)) put(place, [id]);
  const groups = Object.entries(shelf.pinGroups).sort(([idA, a], [idB, b]) => a.place - b.place || (idA < idB ? -1 : 1));
  for (const [, group] of groups) put(group.place, group.products);
  const pinned = runs.flatMap((run) => run.members);
  const named = shelf.add.map(numberOf).filter((p) => stays(p) && !pinned.includes(p));
  const selected = all.filter((p) => stays(p) && !pinned.includes(p) && shelf.addSelections.some((selection) => meets({ selection }, p)));
  const added = [...new Set([...named, ...selected])];
  const brought = [...pinned, ...added];
  const { end } = shelf;
  const endsAtOnce = shelf.after === "nothing" && end !== null && brought.length > 0 && end <= brought.length;

  return {
    excluded: isExcluded,
    brought,
    endsAtOnce,
    factor: (p) =>
      rules.reduce((product, rule) => (rule.does === "strength" && meets(rule.condition, p) ? product * rule.factor : product), 1) *
      (shelf.strength[products[p].id] ?? 1),
    inRows(ordered) {
      let rest = ordered.filter((p) => !pinned.includes(p));
      const front: number[] = [];
      const take = (taken: number[]) => {
        front.push(...taken);
        rest = rest.filter((p) => !taken.includes(p));
      };
      if (end !== null && end > 0 && added.length > 0) {
        let room = Math.max(0, end - pinned.length);
        const mayLead = (p: number) => shelf.soldOut === "keep" || !isSoldOut(p);
        for (const p of [...new Set(named)].filter(mayLead)) {
          if (room <= 0) break;
          if (!rest.includes(p)) continue;
          take([p]);
          room--;
        }
        take(rest.filter((p) => added.includes(p) && mayLead(p)).slice(0, Math.max(0, room)));
      }
      for (const rule of rules)
        if (rule.does === "first") take(rest.filter((p) => meets(rule.condition, p) && !isSoldOut(p)).slice(0, rule.most ?? undefined));
      const back: number[] = [];
      for (const rule of rules) {
        if (rule.does !== "last") continue;
        const taken = rest.filter((p) => meets(rule.condition, p));
        back.push(...taken);
        rest = rest.filter((p) => !taken.includes(p));
      }
      const rows = [...front, ...rest, ...back];
      // Pinned products keep their place among the others until they are put where they belong.
      return [...rows, ...ordered.filter((p) => pinned.includes(p))];
    },
    place(remaining) {
      const loose = remaining.filter((p) => !pinned.includes(p));
      const placed: number[] = [];
      const here = runs
        .map((run) => ({ place: run.place, members: run.members.filter((p) => remaining.includes(p)) }))
        .filter((run) => run.members.length > 0)
        .sort((a, b) => (a.place === b.place ? remaining.indexOf(a.members[0]) - remaining.indexOf(b.members[0]) : a.place - b.place));
      for (const { place, members } of here) {
        while (placed.length < place - 1 && loose.length > 0) placed.push(loose.shift() ?? 0);
        placed.push(...members);
      }
      return [...placed, ...loose];
    },
    cut: (placed) => (shelf.after === "nothing" && end !== null && end > 0 ? placed.slice(0, end) : placed),
  };
}
