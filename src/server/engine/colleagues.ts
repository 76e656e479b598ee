import type { Colleague } from "@contract/colleagues";
import { Problem } from "../http/problem";

const MOST_AT_ONCE = 200;

/** Who has a store's bench open, and where in it they are. */
export class Colleagues {
  private readonly here = new Map<string, Colleague>();
  private readonly watchers = new Set<() => void>();
  /** The connection over which each page listens: one that was cut may be noticed after the next one was made. */
  private readonly connections = new Map<string, symbol>();

  all(): Colleague[] {
    return [...this.here.values()];
  }

  /** @returns what ends it. @throws Problem where more are here than anybody needs. */
  come(colleague: Colleague): () => void {
    const { tab } = colleague;
    if (this.here.size >= MOST_AT_ONCE && !this.here.has(tab))
      throw new Problem(429, `The bench of this store is open ${MOST_AT_ONCE} times already. Close one.`);
    const connection = Symbol(tab);
    this.connections.set(tab, connection);
    this.here.set(tab, colleague);
    this.tell();
    return () => {
      if (this.connections.get(tab) !== connection) return;
      this.connections.delete(tab);
      this.here.delete(tab);
      this.tell();
    };
  }

  /** Goes elsewhere in the bench; whoever is not here is passed over. */
  move(tab: string, to: Omit<Colleague, "tab">): void {
    if (!this.here.has(tab)) return;
    this.here.set(tab, { ...to, tab });
    this.tell();
  }

  /** Tells of each change from now on. @returns what ends it. */
  watch(look: () => void): () => void {
    this.watchers.add(look);
    return () => void this.watchers.delete(look);
  }

  private tell(): void {
    for (const look of this.watchers) look();
  }
}
