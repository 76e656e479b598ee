import { lookUp } from "../records";
import type { Settings } from "../settings/schema";

/** The factor that a rule has on a product, 1 where it has none of its own: boosts, shelves, rules of shelves, the product itself. */
export function ruleFactor(settings: Pick<Settings, "boosts" | "shelves" | "products">, rule: string, product: string): number {
  if (rule === "product") return lookUp(settings.products, product)?.boost ?? 1;
  const boost = lookUp(settings.boosts, rule);
  if (boost) return boost.factor;
  const [shelf, part] = rule.split("/");
  if (part === undefined) return lookUp(lookUp(settings.shelves, rule)?.strength, product) ?? 1;
  const own = lookUp(lookUp(settings.shelves, shelf)?.rules, part);
  return own?.does === "strength" ? own.factor : 1;
}
