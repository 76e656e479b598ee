import type { Repair, RepairCase } from "@contract/no-results";
import type { Cause } from "@core/insights/repair/case";
import type { RepairKind } from "@core/insights/repair/repair";

/** Repairs and what is wrong, in words. */

export const CAUSE_NAMES: Record<Cause, string> = {
  nothing: "finds nothing",
  few: "next to nothing",
  part: "partly matched",
  corrected: "corrected, nobody clicked",
};

const KIND_NAMES: Record<RepairKind, string> = {
  read: "is read as",
  also: "also finds",
  stand: "means",
  ignore: "is ignored",
  group: "group of values",
  field: "search in",
  redirect: "leads to a guide",
  answer: "own answer",
};

/** What a repair does, in a sentence of two parts: what it is said of, and what becomes of it. */
export function sayRepair(
  { kind, entry }: Pick<Repair, "kind" | "entry">,
  labelOf: (key: string) => string,
): { of: string; does: string; to: string } {
  const does = KIND_NAMES[kind];
  switch (entry.part) {
    case "words": {
      const rule = entry.value;
      const [first] = rule.words;
      if (rule.does === "synonym") return { of: first, does: "means the same as", to: rule.words.slice(1).join(", ") };
      if (rule.does === "intent") return { of: first, does, to: "selection" in rule.target ? "a selection" : rule.target.value };
      return { of: first, does, to: "to" in rule ? rule.to.slice(0, 4).join(", ") : "" };
    }
    case "groups":
      return { of: Object.values(entry.value.label)[0] ?? "", does: `is a ${does}`, to: entry.value.values.slice(0, 4).join(", ") };
    case "attributes":
      return { of: "", does, to: labelOf(entry.key) };
    case "shelves":
      return { of: entry.value.name, does, to: "" };
    case "answers":
      return { of: entry.value.searches[0]?.text ?? "", does: "gets an answer of its own", to: "" };
  }
}

/** What happened after searches that failed: what was tried next, and how many left. */
export function sayNext({ lost, next }: Pick<RepairCase, "lost" | "next">): string {
  const tried = next.reduce((sum, { times }) => sum + times, 0);
  const left = Math.max(0, lost - tried);
  const said = next.slice(0, 2).map(({ text, times }) => `${times} tried “${text}”`);
  return [...said, ...(left > 0 ? [`${left} left`] : [])].join(", ");
}
