import { useNavigate } from "react-router";
import { useOwnAnswer } from "../no-results/useOwnAnswer";
import { useOpen } from "../state/bench";

/** What can be done about a search that finds nothing, where one sees it. */
export function NothingHere({ query }: { query: string }) {
  const { store } = useOpen("store");
  const navigate = useNavigate();
  const { isThere, open } = useOwnAnswer(query);
  const button = "text-press underline decoration-dotted";
  return (
    <>
      <button
        type="button"
        className={button}
        onClick={() => void navigate(`/bench/${store.id}/words/rules?word=${encodeURIComponent(query)}`)}
      >
        Give it a meaning
      </button>
      <button type="button" className={button} onClick={() => void open()}>
        {isThere ? "Change its answer" : "Answer it itself"}
      </button>
    </>
  );
}
