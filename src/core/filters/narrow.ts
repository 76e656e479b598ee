import { type Bits, emptyBits, listBits, setBit } from "../index/bits";
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
    const kept = emptyBits(this.index.products);
    for (const product of listBits(among)) if (this.firstOption(product) >= 0) setBit(kept, product);
    return kept;
  }

  /** The first option of a product with which it meets all selections, −1 when there is none. */
  firstOption(product: number): number {
    if (!this.onProduct.every((selection) => rowMeets(selection, product))) return -1;
    for (let option = this.index.optionStarts[product]; option < this.index.optionStarts[product + 1]; option++) {
      if (this.optionMeets(option)) return option;
    }
    return -1;
  }

  optionMeets(option: number): boolean {
    return this.onOption.every((selection) => rowMeets(selection, option));
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

function range(from: number, to: number): number[] {
  return Array.from({ length: to - from }, (_, i) => from + i);
}
