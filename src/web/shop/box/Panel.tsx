import type { SuggestAnswer } from "@contract/search";
import type { SuggestedBlock } from "@core/suggest/request";
import { memo } from "react";
import { AllOption, BlockView, type Choosing } from "./BlockView";

/** What a panel needs; the bench lays its own handles over the same blocks. */
export interface PanelProps extends Choosing {
  answer: Pick<SuggestAnswer, "shares" | "moment">;
  blocks: readonly SuggestedBlock[];
  /** Everything is in one column, as on a phone. */
  isNarrow: boolean;
}

/** The columns of a panel in which something stands, each with its blocks and its share of the width. */
export function columnsOf(blocks: readonly SuggestedBlock[], shares: readonly number[], isNarrow: boolean) {
  if (isNarrow) return [{ column: 0, share: 1, blocks: [...blocks] }];
  return shares
    .map((share, column) => ({ column, share, blocks: blocks.filter((block) => (block.column ?? 0) === column) }))
    .filter((column) => column.blocks.length > 0);
}

/** The blocks of the moment, one above the other or side by side, and the way to all results. */
export default memo(function Panel({ answer, blocks, isNarrow, ...choosing }: PanelProps) {
  const columns = columnsOf(blocks, answer.shares, isNarrow);
  const all = choosing.entries.findIndex(({ does }) => does === "all");
  return (
    <>
      <div className="grid gap-x-3" style={{ gridTemplateColumns: columns.map(({ share }) => `minmax(0, ${share}fr)`).join(" ") }}>
        {columns.map((column) => (
          <div key={column.column} className="flex min-w-0 flex-col gap-1.5">
            {column.blocks.map((block) => (
              <BlockView key={block.id} block={block} {...choosing} />
            ))}
          </div>
        ))}
      </div>
      {all >= 0 && (
        <div className="mt-1.5 border-t border-rule pt-1.5">
          <AllOption place={all} {...choosing} />
        </div>
      )}
    </>
  );
});
