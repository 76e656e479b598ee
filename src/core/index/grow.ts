/** A Uint32Array that doubles as it fills. */
export class Growing {
  length = 0;
  private values = new Uint32Array(1024);

  push(value: number): void {
    if (this.length === this.values.length) {
      const larger = new Uint32Array(this.values.length * 2);
      larger.set(this.values);
      this.values = larger;
    }
    this.values[this.length++] = value;
  }

  at(i: number): number {
    return this.values[i];
  }

  set(i: number, value: number): void {
    this.values[i] = value;
  }

  take(): Uint32Array {
    return this.values.slice(0, this.length);
  }
}
