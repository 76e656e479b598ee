import { lookUp } from "../../records";
import type { Box } from "../../settings/box/box";
import { BOX_MOMENTS } from "../../settings/box/usual";
import { type Change, isSame } from "../../settings/differences";
import type { Settings } from "../../settings/schema";

const MOMENT_NAMES = { focus: "on focus", typing: "while typing", nothing: "when nothing is found" } as const;
const NAMES: Record<Exclude<keyof Box, "moments" | "list">, string> = {
  from: "Letters from which the box proposes",
  finish: "The completed last word",
  marks: "Marks in the search box",
  voice: "The microphone",
  numbers: "Whole article numbers",
  scoped: "Searches within a category",
  all: "The link to all results",
  anchor: "The width of the panel",
  line: "The product line",
  sources: "What the box completes from",
};

/** How the search box changed: each moment of its panel, each search of the own list, and how it behaves. */
export function boxChanges({ box: before }: Settings, { box: after }: Settings): Change[] {
  if (before === after) return [];
  const changed = (id: string, subject: string, text = "changed"): Change => ({ part: "box", id, kind: "changed", subject, text });
  const moments = BOX_MOMENTS.filter((name) => !isSame(before.moments[name], after.moments[name])).map((name) =>
    changed(name, `Search box ${MOMENT_NAMES[name]}`, sayBlocks(before.moments[name].blocks, after.moments[name].blocks)),
  );
  const keys = (Object.keys(NAMES) as (keyof typeof NAMES)[]).filter((key) => !isSame(before[key], after[key]));
  const list = [...new Set([...Object.keys(before.list), ...Object.keys(after.list)])].flatMap((id): Change[] => {
    const [old, now] = [lookUp(before.list, id), lookUp(after.list, id)];
    if (isSame(old, now)) return [];
    const kind = !old ? "added" : !now ? "removed" : "changed";
    return [{ part: "box", id, kind, subject: `Own search “${(now ?? old)?.text}”`, text: kind }];
  });
  return [...moments, ...keys.map((key) => changed(key, NAMES[key])), ...list];
}

type Blocks = Box["moments"]["focus"]["blocks"];

function sayBlocks(before: Blocks, after: Blocks): string {
  const added = Object.keys(after).filter((id) => !lookUp(before, id)).length;
  const removed = Object.keys(before).filter((id) => !lookUp(after, id)).length;
  const said = [added > 0 && `${added} added`, removed > 0 && `${removed} removed`].filter(Boolean);
  return said.length > 0 ? `blocks: ${said.join(", ")}` : "changed";
}
