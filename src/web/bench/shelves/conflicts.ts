import type { Conflict, RuleName } from "@core/insights/conflicts/conflict";
import { lookUp } from "@core/records";
import type { Settings } from "@core/settings/schema";
import { useFact } from "../ask/useAsk";

/** Conflicts among the rules of the draft; null until they are known. */
export const useConflicts = () => useFact("GET /api/stores/{store}/shelves/conflicts", {});

/** Those that a rule is part of. */
export function conflictsOf(conflicts: readonly Conflict[] | null, { part, id }: RuleName): Conflict[] {
  const isIt = (rule: RuleName | null) => rule?.part === part && rule.id === id;
  return (conflicts ?? []).filter((entry) => isIt(entry.rule) || isIt(entry.other));
}

/** The name of a rule in a sentence. */
export function nameOfRule(settings: Pick<Settings, "shelves" | "hides" | "boosts" | "words">, { part, id }: RuleName): string {
  const rule = lookUp(settings[part], id);
  if (!rule) return id;
  if ("name" in rule) return `“${rule.name}”`;
  return `the words ${rule.words.join(", ")}`;
}

interface Names {
  rule: string;
  other: string;
  product: (id: string) => string;
}

/** What is wrong, and what to do, in a sentence. */
export function sayConflict({ kind, products, count, about }: Conflict, { rule, other, product }: Names): string {
  const named = products.slice(0, 2).map(product).join(", ") + (count > 2 ? ` and ${count - Math.min(2, products.length)} more` : "");
  switch (kind) {
    case "pinned-hidden":
      return `${rule} shows ${named}, which ${other} hides here.`;
    case "shown-excluded":
      return `${rule} shows ${named} and keeps it out. It stays out.`;
    case "one-place":
      return `On ${rule}, ${named} are both pinned to place ${about}: they are shown one after the other.`;
    case "pinned-sold-out":
      return `${rule} pins what is sold out: ${named}.`;
    case "raised-lowered":
      return other === rule ? `${rule} raises and lowers ${named}.` : `${rule} raises what ${other} lowers: ${named}.`;
    case "redirect-covers":
      return `${rule} is never seen for “${about}”: ${other} sends shoppers elsewhere first.`;
    case "always-covered":
      return `${rule} is never active: ${other} applies to the same and comes first.`;
    case "empty":
      return `${rule} does nothing: no product is arranged, or no search and no category named.`;
    case "shows-nothing":
      return `“${about}” finds nothing, and ${rule} brings nothing that can be shown.`;
    case "product-gone":
      return `${rule} names what is no longer in the catalogue: ${named}. It waits for ${count === 1 ? "it" : "them"}.`;
    case "selection-gone":
      return `${rule} names a selection that there is not (${about}): by it, it names no product.`;
    case "redirect-loop":
      return rule === other ? `${rule} leads back to itself.` : `${rule} leads back to itself through ${other}.`;
    case "redirect-dead":
      return `${rule} leads to ${about}, where nothing is.`;
    case "words-redirected":
      return `${rule} mean the same, but only “${about}” is sent elsewhere, by ${other}.`;
  }
}
