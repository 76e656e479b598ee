import type { Settings } from "../settings/schema";

/** The factor that a rule has on a product, 1 where it has none of its own: boosts, shelves, rules of shelves, the product itself. */
export function ruleFactor(settings: Pick<Settings, "boosts" | "shelves" | "products">, rule: string, product: string): number {
  if (rule === "product") return settings.products[product]?.boost ?? 1;
  const boost = settings.boosts[rule];
  if (boost) return boost.factor;
  const [shelf, part] = rule.split("/");
  if (part === undefined) return settings.shelves[rule]?.strength[product] ?? 1;
  const own = settings.shelves[shelf]?.rules[part];
  return own?.does === "strength" ? own.factor : 1;
}
