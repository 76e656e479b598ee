import { copyFileSync, cpSync, existsSync, linkSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { FILES, type Files } from "../../src/server/db/files";

/** Files that the server syncs itself; all others belong to databases that do so, or can be lost. */
const OURS = /^(catalogue-\d+\.(db|index|index\.part)|feed-.*|upload-.*|gone-.*|damaged-.*)$/;

/**
 * Files as a disk has them that forgets, when the power goes, what was not synced: names and contents each for themselves, any part of
 * them, in any order.
 */
export class LossyFiles implements Files {
  /** Of each folder, which file stood under which name when it was synced last. */
  private readonly names = new Map<string, Map<string, number>>();
  /** Files whose content was synced once; databases among them sync what is changed later themselves. */
  private readonly synced = new Set<number>();
  private calls = 0;

  /**
   * @param kept a folder in which contents stay although their names are gone.
   * @param goesAt before which call the power goes. @param onLoss is told when it does.
   */
  constructor(
    private readonly kept: string,
    private readonly goesAt: number,
    private readonly onLoss: () => void,
  ) {
    mkdirSync(kept, { recursive: true });
  }

  private step(): void {
    if (++this.calls === this.goesAt) this.onLoss();
  }

  sync = (path: string): void => {
    this.step();
    FILES.sync(path);
    const { ino } = statSync(path);
    if (statSync(path).isDirectory()) this.names.set(path, listOf(path));
    else {
      this.synced.add(ino);
      const link = join(this.kept, String(ino));
      rmSync(link, { force: true });
      linkSync(path, link);
    }
  };

  rename = (from: string, to: string): void => {
    this.step();
    FILES.rename(from, to);
  };

  remove = (path: string): void => {
    this.step();
    FILES.remove(path);
  };

  /** What is left of a data folder when the power goes now, as a folder of its own. */
  loseInto(directory: string, after: string, random: () => number): void {
    cpSync(directory, after, { recursive: true, filter: (path) => !OURS.test(basename(path)) });
    for (const store of readdirSync(join(directory, "stores"))) {
      const folder = join(directory, "stores", store);
      const before = this.names.get(folder) ?? new Map<string, number>();
      const now = listOf(folder);
      for (const name of new Set([...before.keys(), ...now.keys()])) {
        if (!OURS.test(name)) continue;
        const [old, present] = [before.get(name), now.get(name)];
        const file = old === present || random() < 0.5 ? present : old;
        if (file !== undefined) this.write(file, join(folder, name), join(after, "stores", store, name), random);
      }
    }
  }

  private write(file: number, from: string, to: string, random: () => number): void {
    mkdirSync(dirname(to), { recursive: true });
    if (this.synced.has(file)) {
      copyFileSync(join(this.kept, String(file)), to);
      return;
    }
    // What was never synced and is gone by now may be anything.
    const bytes = existsSync(from) ? readFileSync(from) : Buffer.alloc(5_000, 0x5a);
    const cut = Math.floor(random() * bytes.length);
    const way = Math.floor(random() * 3);
    writeFileSync(to, way === 0 ? bytes : way === 1 ? bytes.subarray(0, cut) : bytes.fill(0, cut));
  }
}

const listOf = (folder: string): Map<string, number> =>
  new Map(readdirSync(folder).map((name) => [name, statSync(join(folder, name)).ino]));
