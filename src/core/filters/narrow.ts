import { type Bits, clearBit, emptyBits, intersect, listBits, setBit } from "../index/bits";
import type { Index } from "../index/types";
import { rowMeets, type Selection } from "./prepare";

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
    const kept = this.onProduct.reduce<Bits>((bits, selection) => intersect(bits, meeting(selection, among)), among.slice());
    if (this.onOption.length === 0) return kept;
    for (const product of listBits(kept)) if (!this.hasOption(product)) clearBit(kept, product);
    return kept;
  }

  private hasOption(product: number): boolean {
    const end = this.index.optionStarts[product + 1];
    for (let option = this.index.optionStarts[product]; option < end; option++) if (this.optionMeets(option)) return true;
    return false;
  }

  optionMeets(option: number): boolean {
    for (let i = 0; i < this.onOption.length; i++) if (!rowMeets(this.onOption[i], option)) return false;
    return true;
  }

  /** The first selection that a product does not meet by any option, for "why is it missing?". */
  firstFailed(product: number): Selection | null {
    const failed = this.onProduct.find((selection) => !rowMeets(selection, product));
    if (failed) return failed;
    const options = range(this.index.optionStarts[product], this.index.optionStarts[product + 1]);
    const never = this.onOption.find((selection) => !options.some((option) => rowMeets(selection, option)));
    if (never) return never;
    return options.some((option) => this.optionMeets(option)) ? null : (this.onOption[0] ?? null);
  }
}

const memory = new WeakMap<Selection, { among: Bits; bits: Bits }>();

/** Products of a set that meet a selection on products; one answer asks for them with every filter. */
function meeting(selection: Selection, among: Bits): Bits {
  const known = memory.get(selection);
  if (known?.among === among) return known.bits;
  const bits = emptyBits(among.length * 32);
  for (const product of listBits(among)) if (rowMeets(selection, product)) setBit(bits, product);
  memory.set(selection, { among, bits });
  return bits;
}

function range(from: number, to: number): number[] {
  return Array.from({ length: to - from }, (_, i) => from + i);
}
