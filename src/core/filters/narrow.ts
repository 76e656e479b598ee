import { type Bits, intersect } from "../index/bits";
import type { Index } from "../index/types";
import { keepInRange, keepMeeting, keepRanks, keepWanted } from "./keep";
import type { Selection } from "./prepare";

/**
 * Which products of a set meet the selections. What options carry (size, price, stock) must be met by one and the same
 * option, so each selection is tested on options where its column is per option.
 */
export class Narrowing {
  private readonly onProduct: Selection[];
  private readonly onOption: Selection[];

  constructor(
    private readonly index: Index,
    readonly selections: readonly Selection[],
  ) {
    this.onProduct = selections.filter((selection) => !selection.prepared.column.perOption);
    this.onOption = selections.filter((selection) => selection.prepared.column.perOption);
  }

  products(among: Bits): Bits {
    if (this.selections.length === 0) return among;
    // What options carry must be met by one and the same option: one selection of that kind can be tested by itself.
    const isJoint = this.onOption.length > 1;
    const alone = isJoint ? this.onProduct : this.selections;
    const kept = alone.reduce<Bits>((bits, selection) => intersect(bits, meeting(this.index, selection, among)), among.slice());
    if (isJoint) keepMeeting(kept, this.index.optionStarts, (option) => this.optionMeets(option));
    return kept;
  }

  /** Whether options are tested at all. */
  get testsOptions(): boolean {
    return this.onOption.length > 0;
  }

  optionMeets(option: number): boolean {
    for (let i = 0; i < this.onOption.length; i++) if (!this.onOption[i].meets(option)) return false;
    return true;
  }

  /** The first selection that a product does not meet by any option, for "why is it missing?". */
  firstFailed(product: number): Selection | null {
    const failed = this.onProduct.find((selection) => !selection.meets(product));
    if (failed) return failed;
    const options = range(this.index.optionStarts[product], this.index.optionStarts[product + 1]);
    const never = this.onOption.find((selection) => !options.some((option) => selection.meets(option)));
    if (never) return never;
    return options.some((option) => this.optionMeets(option)) ? null : (this.onOption[0] ?? null);
  }
}

const memory = new WeakMap<Selection, { among: Bits; bits: Bits }>();

/** Products of a set that meet a selection by themselves or by one of their options; one answer asks for them with every filter. */
function meeting(index: Index, selection: Selection, among: Bits): Bits {
  const known = memory.get(selection);
  if (known?.among === among) return known.bits;
  const bits = among.slice();
  const { column } = selection.prepared;
  const optionStarts = column.perOption ? index.optionStarts : null;
  const { wanted } = selection;
  if (column.kind === "keys") {
    if (wanted) keepWanted(bits, column, wanted, optionStarts);
  } else if (wanted) {
    if (selection.unpriced) keepMeeting(bits, optionStarts, selection.meets);
    else keepRanks(bits, column.ranks, wanted, optionStarts);
  } else keepInRange(bits, column.numbers, selection.min ?? -Infinity, selection.max ?? Infinity, optionStarts);
  memory.set(selection, { among, bits });
  return bits;
}

function range(from: number, to: number): number[] {
  return Array.from({ length: to - from }, (_, i) => from + i);
}
