import { closeSync, openSync, writeSync } from "node:fs";
import type { FeedProblem } from "@core/feed/problems";
import { stringify } from "csv-stringify/sync";

/** All problems of an import as CSV, written while they are found. */
export class ProblemFile {
  private readonly descriptor: number;
  private buffer = "line,column,kind,message,done\n";
  private written = 0;

  constructor(file: string) {
    this.descriptor = openSync(file, "w");
  }

  write({ line, field, kind, message, done }: FeedProblem): void {
    if (this.written++ >= MOST_WRITTEN) return;
    this.buffer += stringify([[line, field, kind, message, done]]);
    if (this.buffer.length > 64 * 1024) this.flush();
  }

  private flush(): void {
    writeSync(this.descriptor, this.buffer);
    this.buffer = "";
  }

  close(): void {
    if (this.written > MOST_WRITTEN)
      this.buffer += stringify([[0, "", "", `${this.written - MOST_WRITTEN} more problems are not listed.`, ""]]);
    this.flush();
    closeSync(this.descriptor);
  }
}

const MOST_WRITTEN = 200_000;
