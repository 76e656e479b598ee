import { lookUp, setOwn } from "../records";

/** Units of measure that texts and queries write beside a number, each as a multiple of its kind's base unit. */
interface Unit {
  kind: "length" | "volume" | "mass" | "temperature" | "time";
  factor: number;
}

const UNITS: Record<string, Unit> = {};

function define(kind: Unit["kind"], factor: number, names: string): void {
  for (const name of names.split(" ")) setOwn(UNITS, name, { kind, factor });
}

define("length", 0.1, "mm millimetre millimetres millimeter millimeters");
define("length", 1, "cm centimetre centimetres centimeter centimeters zentimeter");
define("length", 100, "m metre metres meter meters");
define("length", 2.54, "in inch inches zoll");
define("length", 30.48, "ft foot feet");
define("volume", 0.001, "ml millilitre millilitres milliliter milliliters");
define("volume", 1, "l litre litres liter liters ltr");
define("mass", 0.001, "g gram grams gramm");
define("mass", 1, "kg kilo kilos kilogram kilograms kilogramm");
define("temperature", 1, "c celsius");
define("time", 1, "year years yr yrs jahr jahre");

/** Whether a folded word is the name of a unit. */
export function isUnit(word: string): boolean {
  return Object.hasOwn(UNITS, word);
}

/** Units of what a unit measures, each with all its names ("cm" → mm, millimetre …; cm, centimetre …; m …), its own first. */
export function unitsLike(word: string): string[][] {
  const unit = lookUp(UNITS, word);
  if (!unit) return [[word]];
  const names = Object.keys(UNITS).filter((name) => lookUp(UNITS, name).kind === unit.kind);
  const factors = [...new Set([unit.factor, ...names.map((name) => lookUp(UNITS, name).factor)])];
  return factors.map((factor) => names.filter((name) => lookUp(UNITS, name).factor === factor));
}

/**
 * Converts an amount between units of one kind.
 * @returns null when the units measure different things or are unknown.
 */
export function convert(amount: number, from: string, to: string): number | null {
  const source = lookUp(UNITS, from);
  const target = lookUp(UNITS, to);
  if (!source || !target || source.kind !== target.kind) return null;
  return source.factor === target.factor ? amount : (amount * source.factor) / target.factor;
}

/** Whether two amounts are equal but for the rounding of a conversion. */
export function sameAmount(a: number, b: number): boolean {
  return Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));
}
