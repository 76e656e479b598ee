import type { PageFacts } from "@core/measure/page-facts";
import { useAnswer } from "../pieces/useAnswer";

/** What the draft's cards, badges and blocks show. */
export const usePageFacts = () => useAnswer<PageFacts & { searches: number; blocks: Record<string, number> }>("page/facts");
