import { queryKey } from "../../log/tally";
import { mayBeOffered } from "../../search/offered";
import type { BoxBlockOf } from "../../settings/box/block";
import { actsAt, inRankOrder } from "../../settings/ranked";
import { findingOf } from "../finds";
import type { Fill, Panel } from "../panel";
import type { SuggestedItem } from "../request";

/** How many searches that find nothing now are passed over. */
const MOST_TRIED = 60;

/** Searches to choose from before anything is typed, or where nothing was found. None that finds nothing now. */
export const searchItems: Fill<BoxBlockOf<"searches">> = (panel, block, most) => {
  if (block.pick === "closest") return (panel.end?.searches ?? []).slice(0, most).map((text) => ({ text }));
  const items: SuggestedItem[] = [];
  const known = new Set<string>();
  for (const text of candidates(panel, block).slice(0, MOST_TRIED)) {
    const key = queryKey(text);
    if (known.has(key) || (block.pick !== "hand" && !mayBeOffered(panel.searcher, key))) continue;
    known.add(key);
    const { count, redirect, isCorrected } = findingOf(panel.searcher, text, panel);
    if ((count === 0 && redirect === null) || (isCorrected && block.pick !== "hand")) continue;
    items.push({ text });
    if (items.length >= most) break;
  }
  return items;
};

function candidates({ popular, at }: Panel, { pick, list }: BoxBlockOf<"searches">): readonly string[] {
  if (pick === "hand")
    return inRankOrder(list)
      .filter(([, entry]) => actsAt(entry, at))
      .map(([, { text }]) => text);
  return (pick === "rising" ? popular?.rising : popular?.mostAsked) ?? [];
}
