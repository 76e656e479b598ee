import type { Field } from "../catalogue/types";
import type { FilterDisplay } from "../settings/filter";

/** Up to this many values, each can have a button of its own; from so many on, the list needs a search. */
const FEW = 8;
const MANY = 25;

type Described = Pick<Field, "type" | "key"> & { role: string };

/** The controls that suit a field, the best one first. @param distinct how many values it has. */
export function suitableDisplays({ type, key, role }: Described, distinct: number): FilterDisplay[] {
  switch (type) {
    case "number":
      return role === "rating"
        ? ["steps", "histogram", "slider", "fields", "ticks", "choose", "buttons"]
        : ["histogram", "slider", "fields", "ticks", "choose", "buttons", "steps"];
    case "date":
      return ["histogram", "slider"];
    case "flag":
      return ["yes-no", "ticks"];
    case "path":
      return ["tree", "ticks", "choose", "list"];
    default:
      if (type === "colour" || /colou?r|farbe/i.test(key)) return ["swatches", "ticks", "choose", "list", "buttons"];
      if (distinct <= FEW) return ["ticks", "buttons", "choose", "swatches"];
      return distinct <= MANY ? ["ticks", "choose", "list", "buttons", "swatches"] : ["list", "ticks", "choose", "swatches"];
  }
}
