import { isColourName } from "../catalogue/colours";
import { foldMarks } from "../text/fold";
import { isUnit } from "../text/units";
import type { ColumnFacts } from "./column-facts";
import { dateOrderOf } from "./dates";
import { type DecimalSign, decimalSignOf, inUnit, parseAmount } from "./numbers";
import { PLAIN_SHAPE, parseList, type ValueShape } from "./values";

const MOSTLY = 0.9;
/** Names of columns in which large numbers are moments. */
const IS_TIME = /date|time|stamp|datum|(?:^|[\s_.-])(?:at|am|since|until|seit)$|(?:created|updated|added|published)/i;

/** A type for a column and why it is proposed. */
interface ShapeProposal extends ValueShape {
  reason: string;
}

/** The type that nearly all sample values have. @param decimal the sign before decimals where the column itself does not tell. */
export function proposeShape(column: string, facts: ColumnFacts, decimal: DecimalSign | null): ShapeProposal {
  const { values, texts } = facts;
  const shape = (part: Partial<ValueShape>, reason: string): ShapeProposal => ({ ...PLAIN_SHAPE, decimal: null, ...part, reason });
  if (values.length === 0) return shape({ type: "keyword" }, "No line fills it");
  if (facts.nestedLists > 0) return shape({ type: "path", separator: pathSeparator(texts) }, "Lists within lists");
  if (facts.lists > 0.5) return shape({ type: "list" }, "Lists");
  if (facts.moments >= MOSTLY && IS_TIME.test(column)) return shape({ type: "date" }, "Seconds or milliseconds since 1970");
  if (facts.flags >= MOSTLY) return shape({ type: "flag" }, "Only yes and no");
  if (facts.numbers >= MOSTLY && facts.dates < MOSTLY) return proposeNumber(column, facts, decimal);
  if (facts.dates >= MOSTLY) return shape({ type: "date", dates: dateOrderOf(texts) }, "Dates");
  const separator = listSeparator(texts);
  if (separator) return shape({ type: "list", separator }, `Several values, parted by “${separator}”`);
  if (/colou?r|farbe|couleur/i.test(column) && facts.words < 4) return shape({ type: "colour" }, "Called a colour");
  if (facts.words < 3 && texts.filter(isColourName).length >= texts.length * 0.6) return shape({ type: "colour" }, "Names of colours");
  return facts.words > 6 ? shape({ type: "text" }, "Texts of several words") : shape({ type: "keyword" }, "Short values");
}

function proposeNumber(column: string, facts: ColumnFacts, decimal: DecimalSign | null): ShapeProposal {
  const sign = decimalSignOf(facts.texts) ?? decimal;
  const amounts = facts.texts.flatMap((text) => parseAmount(text, sign) ?? []);
  const units = new Map<string, number>();
  for (const { unit } of amounts) if (unit !== null) units.set(unit, (units.get(unit) ?? 0) + 1);
  const shape = { ...PLAIN_SHAPE, type: "number" as const, decimal: sign };
  const named = unitInName(column);
  if (units.size === 0)
    return named ? { ...shape, unit: named, reason: `Numbers, in ${named} by the column's name` } : { ...shape, reason: "Numbers" };
  const [main, uses] = [...units].reduce((best, entry) => (entry[1] > best[1] ? entry : best));
  const fitting = [...units].reduce((sum, [unit, count]) => sum + (inUnit(1, unit, main) === null ? 0 : count), 0);
  const bare = amounts.length - [...units.values()].reduce((sum, count) => sum + count, 0);
  if (fitting + bare >= amounts.length * MOSTLY && uses >= amounts.length * 0.2)
    return { ...shape, unit: main, reason: `Numbers in ${main}${units.size > 1 ? " and units that convert to it" : ""}` };
  return { ...PLAIN_SHAPE, type: "keyword", reason: "Numbers with units that do not convert" };
}

/** The unit that a column's name ends with: "Height (cm)", "weight_kg", "Breite in mm". */
function unitInName(column: string): string | null {
  const unit = /(?:[([]|\bin\s|_|\s)([a-z°"]{1,12})[)\]]?$/i.exec(column.trim())?.[1];
  return unit && isUnit(foldMarks(unit.toLowerCase())) ? unit : null;
}

/** The sign between the labels of a path, the unlikeliest in a label first. */
export function pathSeparator(texts: readonly string[]): string | null {
  const entries = texts.flatMap((text) => parseList(text, null).map(String));
  return (
    [">>", "›", "»", ">", "→", "::", " | ", "|", " / ", "/", "\\"].find(
      (sign) => entries.filter((text) => text.includes(sign)).length > entries.length * 0.1,
    ) ?? null
  );
}

/** The sign between the entries of a list, where entries come again: "Red|Pink", "Red|White". */
function listSeparator(texts: readonly string[]): string | null {
  for (const sign of ["|", ";", " / ", ", ", ","]) {
    const holding = texts.filter((text) => text.includes(sign));
    if (holding.length <= texts.length * 0.15) continue;
    if (sign === "|" || sign === ";") return sign;
    // Commas also stand in sentences and names: a list's entries are short and come again.
    const entries = texts.flatMap((text) => text.split(sign).map((entry) => entry.trim()));
    const isShort = entries.every((entry) => entry !== "" && entry.length <= 30 && entry.split(/\s+/).length <= 3);
    if (isShort && new Set(entries).size <= entries.length * 0.6) return sign;
  }
  return null;
}
