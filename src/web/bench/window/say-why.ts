import type { ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import type { Why } from "@core/search/request";
import { nameOfFilter } from "@core/settings/read-filter";
import type { Settings } from "@core/settings/schema";

function nameIn({ filters }: Settings, { fields, locale }: ShopFront, id: string): string {
  const filter = lookUp(filters, id);
  return filter ? nameOfFilter(filter, id, locale, (key) => fields.find((field) => field.key === key)?.label ?? key) : id;
}

/** The first reason that keeps a product out, in words. */
export function sayWhy(why: Why, settings: Settings, front: ShopFront): string {
  if ("position" in why) return `at place ${why.position}`;
  switch (why.reason) {
    case "unknown-product":
      return "the catalogue has no such product";
    case "not-in-category":
      return "it is not in this category";
    case "hidden":
      return `hidden here (${lookUp(settings.hides, why.rule ?? "")?.name ?? "a rule"})`;
    case "excluded":
      return `excluded from the shelf “${lookUp(settings.shelves, why.rule ?? "")?.name ?? ""}”`;
    case "sold-out":
      return "it is sold out, and sold-out products come only when asked for";
    case "behind-end":
      return "it comes after the limit of the shelf";
    case "no-answer":
      return why.unit ? `nothing in it answers “${why.unit}”` : "nothing in it answers the search";
    case "filtered":
      return `the filter ${nameIn(settings, front, why.filter ?? "")} leaves it out`;
  }
}
