/** A query of very many words may take more; they are not kept. */
const MOST_KEPT = 64;

/**
 * Arrays that one answer needs and the next can use again. Fresh memory of this size costs more than the work done in it.
 * What was taken is filled with zeros, and must not be used after it is given back.
 *
 * @example
 * const buffers = Buffers.borrow();
 * try { const sums = buffers.floats(size); … } finally { buffers.giveBack(); }
 */
export class Buffers {
  private static readonly free: Buffers[] = [];
  private readonly kept: ArrayBuffer[] = [];
  private taken = 0;

  static borrow(): Buffers {
    return Buffers.free.pop() ?? new Buffers();
  }

  giveBack(): void {
    this.taken = 0;
    this.kept.length = Math.min(this.kept.length, MOST_KEPT);
    Buffers.free.push(this);
  }

  floats(length: number): Float64Array {
    return new Float64Array(this.take(length * 8), 0, length).fill(0);
  }

  places(length: number, value = 0): Int32Array {
    return new Int32Array(this.take(length * 4), 0, length).fill(value);
  }

  numbers(length: number): Uint32Array {
    return new Uint32Array(this.take(length * 4), 0, length).fill(0);
  }

  shorts(length: number): Uint16Array {
    return new Uint16Array(this.take(length * 2), 0, length).fill(0);
  }

  bytes(length: number): Uint8Array {
    return new Uint8Array(this.take(length), 0, length).fill(0);
  }

  /** The next buffer, made anew where it is too small. */
  private take(bytes: number): ArrayBuffer {
    const at = this.taken++;
    if (!(this.kept[at]?.byteLength >= bytes)) this.kept[at] = new ArrayBuffer(Math.max(64, 2 ** Math.ceil(Math.log2(bytes || 1))));
    return this.kept[at];
  }
}
