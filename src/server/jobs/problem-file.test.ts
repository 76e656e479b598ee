import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { FeedProblem } from "@core/feed/problems";
import { parse } from "csv-parse/sync";
import { ProblemFile } from "./problem-file";

describe("the list of an import's problems", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-problems-"));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const problem = (line: number, message: string): FeedProblem => ({
    line,
    field: "price",
    kind: "not-a-number",
    message,
    done: "kept as text",
  });
  const read = (file: string): string[][] => parse(readFileSync(file, "utf8"));

  test("is a table, whatever a message holds", () => {
    const file = join(folder, "some.csv");
    const list = new ProblemFile(file);
    const messages = ["plain", 'says "free", twice', "one\nline\r\nafter another", ""];
    messages.forEach((message, i) => void list.write(problem(i + 2, message)));
    list.close();
    const [head, ...rows] = read(file);
    expect(head).toEqual(["line", "column", "kind", "message", "done"]);
    expect(rows).toEqual(messages.map((message, i) => [String(i + 2), "price", "not-a-number", message, "kept as text"]));
  });

  test("ends at a length that can still be opened, and says how many more there are", () => {
    const file = join(folder, "many.csv");
    const list = new ProblemFile(file);
    for (let line = 1; line <= 200_003; line++) list.write(problem(line, "x"));
    list.close();
    const rows = read(file);
    expect(rows.length).toBe(200_002);
    expect(rows.at(-1)).toEqual(["0", "", "", "3 more problems are not listed.", ""]);
  });
});
