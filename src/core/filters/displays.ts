import type { Field } from "../catalogue/types";
import type { FilterDisplay } from "../settings/filter";

/** Up to this many values, each can have a button of its own. */
const FEW = 8;

/** The controls that suit a field, the best one first. @param distinct how many values it has. */
export function suitableDisplays(field: { type: Field["type"]; key: string }, distinct: number): FilterDisplay[] {
  switch (field.type) {
    case "number":
    case "date":
      return ["histogram", "slider"];
    case "flag":
      return ["yes-no", "ticks"];
    default:
      if (field.type === "colour" || /colou?r|farbe/i.test(field.key)) return ["swatches", "ticks", "choose", "buttons"];
      return distinct <= FEW ? ["ticks", "buttons", "choose"] : ["ticks", "choose", "buttons", "swatches"];
  }
}
