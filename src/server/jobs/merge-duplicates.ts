import type { Field, Product } from "@core/catalogue/types";
import { fieldsPerOption, sharedKeys } from "@core/feed/assemble";
import { joinProducts } from "@core/feed/group-options";

/** Makes one product of each set of ids that somebody merged; ids that the feed no longer has are passed over. */
export function mergeDuplicates(
  { products, fields }: { products: Product[]; fields: Field[] },
  merged: readonly string[][],
): { products: Product[]; fields: Field[] } {
  if (merged.length === 0) return { products, fields };
  const byId = new Map(products.map((product) => [product.id, product]));
  const isShared = sharedKeys(fields);
  const gone = new Set<string>();
  for (const ids of merged) {
    const members = ids.flatMap((id) => byId.get(id) ?? []);
    if (members.length < 2) continue;
    byId.set(members[0].id, joinProducts(members, isShared));
    for (const member of members.slice(1)) gone.add(member.id);
  }
  const kept = products.flatMap(({ id }) => (gone.has(id) ? [] : (byId.get(id) ?? [])));
  const perOption = fieldsPerOption(kept);
  return { products: kept, fields: fields.map((field) => ({ ...field, perOption: perOption.has(field.key) })) };
}
