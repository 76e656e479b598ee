import type { LoggedEvent } from "@core/log/events";
import { linesOf } from "./event-lines";

const event = (number: number): LoggedEvent => ({
  visit: `v${number}`,
  kind: "search",
  query: number === 0 ? "=HYPERLINK(1)" : "rose",
  at: "2026-11-30T10:00:00.000Z",
  shown: ["P-1", "P-2"],
  total: 2,
});
const many = Array.from({ length: 1_001 }, (_, number) => event(number));

it("writes one head for all pieces of a table, and no search as a formula", () => {
  const pieces = [...linesOf(many, "csv")];
  const lines = pieces.join("").trimEnd().split("\n");
  expect(pieces).toHaveLength(3);
  expect(lines).toHaveLength(1_002);
  expect(lines.filter((line) => line.startsWith("at,visit"))).toHaveLength(1);
  expect(lines[1]).toContain("'=HYPERLINK(1)");
  expect(lines[1]).toContain('"[""P-1"",""P-2""]"');
});

it("writes each event as a line of JSON, the same that was kept", () => {
  const lines = [...linesOf(many, "jsonl")].join("").trimEnd().split("\n");
  expect(lines.map((line) => JSON.parse(line))).toEqual(many);
});

it("writes an empty log as a head without lines, and as nothing", () => {
  expect([...linesOf([], "csv")].join("")).toMatch(/^at,visit,kind,[^\n]*\n$/);
  expect([...linesOf([], "jsonl")].join("")).toBe("");
});
