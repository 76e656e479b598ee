import type { SuggestAnswer } from "@contract/search";
import type { SuggestedBlock, SuggestedItem } from "@core/suggest/request";

/** One thing in the panel that can be chosen. */
export type Entry =
  | { does: "take"; block: SuggestedBlock; item: SuggestedItem }
  | { does: "unfold"; block: SuggestedBlock }
  | { does: "fold"; block: SuggestedBlock }
  | { does: "all"; total: number };

/** Blocks that speak and offer nothing to choose. */
export const isSpoken = ({ kind }: Pick<SuggestedBlock, "kind">): boolean => kind === "message" || kind === "tips";

const key = (text: string) => text.trim().toLowerCase();

/** The blocks with what only the browser knows: what this shopper searched before. Those without an entry are gone. */
export function withRecent(
  { blocks }: Pick<SuggestAnswer, "blocks">,
  recent: readonly string[],
  typed: string,
  unfolded: readonly string[],
): SuggestedBlock[] {
  const fitting = recent.filter((text) => key(text).startsWith(key(typed)) && key(text) !== key(typed));
  return blocks.flatMap((block): SuggestedBlock[] => {
    if (block.kind !== "recent") return [block];
    if (fitting.length === 0) return [];
    const shown = unfolded.includes(block.id) ? fitting : fitting.slice(0, block.most);
    return [{ ...block, items: shown.map((text) => ({ text })), ...(shown.length < fitting.length ? { more: true } : {}) }];
  });
}

/** What can be chosen, in the order of the arrow keys: column by column, and in each from top to bottom. */
export function entriesOf(blocks: readonly SuggestedBlock[], unfolded: readonly string[], total: number | null): Entry[] {
  const entries = blocks.flatMap((block): Entry[] => {
    if (isSpoken(block)) return [];
    return [
      ...block.items.map((item): Entry => ({ does: "take", block, item })),
      ...(block.more ? [{ does: "unfold" as const, block }] : unfolded.includes(block.id) ? [{ does: "fold" as const, block }] : []),
    ];
  });
  return total === null || total === 0 ? entries : [...entries, { does: "all", total }];
}

/** The entry after another, or before it; −1 is the field itself, where both ends meet. */
export function stepTo(active: number, step: 1 | -1, count: number): number {
  return count === 0 ? -1 : ((active + 1 + step + count + 1) % (count + 1)) - 1;
}

/** What a completion would add to what is typed; empty where it does not go on from it. */
export function restOf(typed: string, completion: string | null): string {
  const begun = typed.replace(/^\s+/, "");
  if (!completion || begun === "" || !completion.toLowerCase().startsWith(begun.toLowerCase())) return "";
  return completion.slice(begun.length);
}
