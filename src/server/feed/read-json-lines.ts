import { isRow } from "@core/feed/flatten";
import { readJson, TooDeep } from "@core/text/read-json";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import type { TextFile } from "./open-text";

export async function* readJsonLines(file: TextFile): AsyncGenerator<FeedRow> {
  for await (const { text, line } of linesOf(file)) {
    if (text === null) yield { line, problem: `The line is longer than ${LONGEST_LINE / 1024 / 1024} million characters.` };
    else if (text.trim() !== "") yield parseLine(text, line);
  }
}

function parseLine(text: string, line: number): FeedRow {
  try {
    const row = readJson(text);
    return isRow(row) ? { line, row } : { line, problem: "The line is JSON, but no object." };
  } catch (error) {
    return { line, problem: error instanceof TooDeep ? `The line cannot be read: ${error.message}.` : "The line is not JSON." };
  }
}

/** The lines of a file; null stands for one that is too long to hold. */
async function* linesOf(file: TextFile): AsyncGenerator<{ text: string | null; line: number }> {
  const decoder = new TextDecoder();
  let rest = "";
  let isTooLong = false;
  let line = 0;
  for await (const chunk of file.open()) {
    const parts = (rest + decoder.decode(chunk as Buffer, { stream: true })).split("\n");
    rest = parts.pop() ?? "";
    for (const part of parts) {
      line++;
      yield { text: isTooLong || part.length > LONGEST_LINE ? null : part, line };
      isTooLong = false;
    }
    if (rest.length > LONGEST_LINE) {
      isTooLong = true;
      rest = "";
    }
  }
  if (rest !== "" || isTooLong) yield { text: isTooLong ? null : rest, line: line + 1 };
}
