import { answerFor, blankAnswer } from "@core/insights/repair/repair";
import { add, freeId } from "@core/settings/patch";
import { useNavigate } from "react-router";
import { useBenchParts, useOpen } from "../state/bench";

/** What can be done about a search that finds nothing, where one sees it. */
export function NothingHere({ query }: { query: string }) {
  const { store, settings } = useOpen("store", "settings");
  const { edit } = useBenchParts("edit");
  const navigate = useNavigate();
  const go = (path: string) => void navigate(`/bench/${store.id}/${path}`);
  const answered = answerFor(settings, query);
  const answer = () => {
    const id = answered ?? freeId(settings.deadEnd.answers, query);
    if (answered === null) void edit([add(["deadEnd", "answers", id], blankAnswer(query))]);
    go(`no-results/answers?open=${encodeURIComponent(id)}`);
  };
  const button = "text-press underline decoration-dotted";
  return (
    <>
      <button type="button" className={button} onClick={() => go(`words/rules?word=${encodeURIComponent(query)}`)}>
        Give it a meaning
      </button>
      <button type="button" className={button} onClick={answer}>
        {answered === null ? "Answer it itself" : "Change its answer"}
      </button>
    </>
  );
}
