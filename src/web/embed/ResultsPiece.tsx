import { useStore } from "zustand";
import { START } from "../shop/address";
import { Chips } from "../shop/filters/Chips";
import { FilterPanel } from "../shop/filters/FilterPanel";
import { Heading } from "../shop/Heading";
import { Results } from "../shop/results/Results";
import { record } from "../shop/visit";
import type { PieceProps } from "./piece-props";

/** The results of the group's search. @param hasFilters whether filters are with them; elsewhere on the page when not. */
export default function ResultsPiece({ group, hasFilters }: PieceProps & { hasFilters: boolean }) {
  const { base, front, answer, address, failure, isAsked, go } = useStore(group);
  if (failure) return <p role="alert">{failure}</p>;
  if (!front || !answer || !isAsked) return null;
  return (
    <Results
      answer={answer}
      front={front}
      address={address}
      onChange={go}
      hasFilters={hasFilters}
      onOpenProduct={(hit) =>
        record(base, { kind: "click", searchId: answer.searchId, query: address.query, product: hit.id, position: hit.position })
      }
      heading={
        <Heading
          front={front}
          address={address}
          answer={answer}
          onSearch={(query) => go({ ...START, query, category: address.category })}
          onAsTyped={() => go({ ...address, page: 1, asTyped: true })}
        />
      }
    />
  );
}

/** The filters of the group's search, in a place of their own. */
export function FiltersPiece({ group }: PieceProps) {
  const { front, answer, address, isAsked, go } = useStore(group);
  if (!front || !answer || !isAsked || answer.filters.length === 0) return null;
  const panel = { filters: answer.filters, address, front, onChange: go };
  return (
    <div className="flex flex-col gap-3">
      <Chips {...panel} />
      <FilterPanel {...panel} />
    </div>
  );
}
