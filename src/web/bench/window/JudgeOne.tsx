import type { Hit } from "@core/search/request";
import { ThumbsDown, ThumbsUp } from "lucide-react";
import { useOpen } from "../state/bench";
import { useWalkParts } from "../state/walk";
import { useWindow } from "../state/window";
import { Verdict } from "./Walk";

/** Good or bad, for one product as a result of the search in the window. */
export function JudgeOne({ hit }: { hit: Hit }) {
  const { store } = useOpen("store");
  const { query } = useWindow((state) => state.address);
  const { judgments, judge } = useWalkParts("judgments", "judge");
  const verdict = judgments.get(hit.id) ?? null;
  const press = (next: "good" | "bad") => void judge(store.id, query, hit.id, verdict === next ? null : next);
  return (
    <div className="flex justify-end gap-1 text-soft">
      <Verdict label={`${hit.title} is a good result`} isOn={verdict === "good"} tone="text-gain" onPress={() => press("good")}>
        <ThumbsUp className="size-3.5" />
      </Verdict>
      <Verdict label={`${hit.title} is a bad result`} isOn={verdict === "bad"} tone="text-loss" onPress={() => press("bad")}>
        <ThumbsDown className="size-3.5" />
      </Verdict>
    </div>
  );
}
