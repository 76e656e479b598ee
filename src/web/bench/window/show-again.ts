import type { Field } from "@contract/fields";
import { FEED } from "@core/prepare/feed-rules";
import { lookUp } from "@core/records";
import { add, change, type PatchOperation, set } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";

/**
 * The edit that shows a hidden product again: the hide that holds it is switched off; what the feed hides gets another value by hand.
 * Empty where nothing of the draft hides it.
 */
export function showAgain(
  settings: Settings,
  fields: readonly Pick<Field, "key" | "role">[],
  product: string,
  rule: string,
): PatchOperation[] {
  if (rule !== FEED) return lookUp(settings.hides, rule) ? [set(["hides", rule, "on"], false)] : [];
  const hidden = fields.find((field) => field.role === "hidden")?.key;
  if (hidden === undefined) return [];
  const old = lookUp(settings.products, product);
  if (!old) return [add(["products", product], { set: { [hidden]: false }, addTags: [], removeTags: [], boost: null })];
  return change(["products", product], { set: { ...old.set, [hidden]: false } });
}
