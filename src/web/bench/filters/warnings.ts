import type { FilterLook } from "@core/insights/measure/filter-look";
import type { FilterWorth } from "@core/insights/measure/filter-worth";
import { count, percent } from "@ui/format";

const MANY = 300;
const FEW = 0.1;
const NEAR_ALL = 0.985;

export interface Known {
  look: FilterLook | null;
  worth: FilterWorth | undefined;
  /** Names of filters that split the products in the same way. */
  alike: readonly string[];
  searches: number;
  /** Share of the searches in which it was used; undefined where the log says nothing of it. */
  used?: number | undefined;
  /** Its place among the filters, from 0. */
  place?: number;
}

/** From this place on few shoppers look. */
const FAR_DOWN = 5;
const HARDLY_USED = 0.01;

/** What speaks against a filter as it is, in plain words. */
export function warningsOf({ look, worth, alike, searches, used, place = 0 }: Known): string[] {
  const warnings: string[] = [];
  if (look?.absence === "no-source") warnings.push("Nothing of what it comes from is in the catalogue any more.");
  else if (look) {
    const offered = look.values.length + look.more;
    if (!look.numbers && offered === 1) warnings.push("One value only: there is nothing to choose.");
    if (offered > MANY) warnings.push(`${count(offered)} values: nobody reads so many. Merge them, or take those that matter.`);
    if (look.filled < FEW) warnings.push(`Filled for ${percent(look.filled)} of the products: whoever uses it loses the rest.`);
    if (look.values.length > 1 && look.values[0].count > 0 && largestShare(look) > NEAR_ALL)
      warnings.push(`Nearly every product is “${look.values[0].value}”.`);
  }
  if (alike.length > 0)
    warnings.push(`Splits the products just as ${alike.map((name) => `“${name}”`).join(" and ")}: one of them is enough.`);
  if (worth && searches > 0 && worth.offered === 0) warnings.push("Would have been shown for none of the most asked searches.");
  if (used !== undefined && used < HARDLY_USED && place >= FAR_DOWN)
    warnings.push(
      `Used in ${used === 0 ? "none" : "under 1 %"} of the searches, at place ${place + 1}: move it up, collapse or remove it.`,
    );
  return warnings;
}

function largestShare({ values }: FilterLook): number {
  const sum = values.reduce((all, value) => all + value.count, 0);
  return sum === 0 ? 0 : values[0].count / sum;
}

/** What a filter does for the searches of the log, in a line. @param searches how many of them were asked; without any the whole range was. */
export function sayWorth({ offered, filled, parts }: FilterWorth, searches: number): string {
  const split = parts < 1.5 ? "hardly divides results" : `divides results into about ${Math.round(parts)} groups`;
  if (searches === 0) return offered === 0 ? "Does not split the range." : `${percent(filled)} of the whole range has it; ${split}.`;
  if (offered === 0) return "Would be shown for none of the most asked searches.";
  return `Shown for ${percent(offered)} of searches; ${percent(filled)} of results have it; ${split}.`;
}

const ABSENCES: Record<Exclude<FilterLook["absence"], null>, string> = {
  "no-source": "Its source is gone from the catalogue.",
  elsewhere: "Not shown here: it is set up for other places.",
  "other-search": "Not shown here: it is set up for other searches.",
  "too-few": "Not shown here: too few of the results have a value.",
  "narrows-nothing": "Not shown here: it would not narrow these results.",
};

export const sayAbsence = (absence: Exclude<FilterLook["absence"], null>) => ABSENCES[absence];
