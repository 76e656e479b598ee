import type { FilterProposal } from "@core/insights/propose/filters";
import { Button } from "@ui/Button";
import { count } from "@ui/format";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Section } from "../frame/Screen";
import { useFilterNames } from "../pieces/useFilterNames";
import { useOpen } from "../state/bench";
import { DisplayDrawing } from "./displays";
import { addFilters } from "./edits";
import { sayWorth } from "./warnings";

const FIRST = 5;
const GOOD = 0.4;

/** What would make a good filter for this catalogue and these searches, the best first. */
export function Proposals({ proposals, searches }: { proposals: FilterProposal[] | null; searches: number }) {
  const { store } = useOpen("store");
  const nameOf = useFilterNames();
  const navigate = useNavigate();
  const [isOpen, setOpen] = useState(false);
  if (!proposals) return <p className="mt-4 text-[13px] text-soft">Trying every field on the most asked searches …</p>;
  const good = proposals.filter(({ worth }) => worth >= GOOD).slice(0, FIRST);
  const shown = isOpen ? proposals : proposals.slice(0, FIRST);
  return (
    <Section
      title="Could become a filter"
      note={
        good.length > 1 ? (
          <>
            the most useful first ·{" "}
            <button type="button" className="font-semibold text-press" onClick={() => addFilters(good)}>
              Add the best {good.length}
            </button>
          </>
        ) : (
          "the most useful first"
        )
      }
    >
      <ul className="border-t border-rule">
        {shown.map((proposal) => {
          const label = nameOf(proposal.id, store.locale, proposal.filter);
          return (
            <li key={proposal.id} className="flex items-center gap-2.5 border-b border-rule py-1.5">
              <span className="text-soft">
                <DisplayDrawing display={proposal.filter.display} />
              </span>
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{label}</b>
                {proposal.values !== null && <span className="ml-2 text-[12.5px] text-soft">{count(proposal.values)} values</span>}
                <span className="block text-[12.5px]/[17px] text-soft">{sayWorth(proposal, searches)}</span>
              </span>
              <Button data-next-step aria-label={`Add a filter from ${label}`} onClick={() => navigate(addFilters([proposal]))}>
                Add
              </Button>
            </li>
          );
        })}
      </ul>
      {proposals.length === 0 && (
        <p className="py-2 text-[13px] text-soft">Nothing more: every field that could narrow these searches is a filter.</p>
      )}
      {proposals.length > FIRST && (
        <button type="button" aria-expanded={isOpen} className="mt-1.5 font-semibold text-press" onClick={() => setOpen(!isOpen)}>
          {isOpen ? "Show fewer" : `Show all ${proposals.length}`}
        </button>
      )}
    </Section>
  );
}
