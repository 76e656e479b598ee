import { useEffect } from "react";
import { START } from "../../shop/address";
import { Results } from "../../shop/Results";
import { useOpen } from "../state/bench";
import { useWindow } from "../state/window";
import { BothStates } from "./BothStates";
import { Finder } from "./Finder";
import { HitGrid } from "./HitGrid";
import { Strip } from "./Strip";
import { Trace } from "./Trace";
import { WhyHere } from "./WhyHere";

/** The shopper's view, always there: what would be seen if the work in hand were released now. */
export function ShopperWindow() {
  const { store, revision, release, front } = useOpen();
  const { address, mode, device, at, draft, live, failure, isBusy, asked, isFinding, search, go, try: tryQuery } = useWindow();
  const key = JSON.stringify(address);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the address, the revision for the settings
  useEffect(() => {
    void search(store.id, revision, release);
  }, [store.id, revision, release, key, at, search]);
  const answer = mode === "live" ? live?.answer : draft;
  return (
    <section aria-label="Shopper window" className="flex h-full min-w-0 flex-col bg-paper">
      <Strip />
      {isFinding && <Finder />}
      {draft && <Trace />}
      <div className="relative min-h-0 flex-1 overflow-auto">
        {failure && (
          <p role="alert" className="p-4 text-loss">
            {failure}
          </p>
        )}
        {isBusy && <p className="absolute top-1 right-3 z-10 text-[12px] text-soft">Searching …</p>}
        {mode === "both" && draft && live ? (
          <BothStates draft={draft} live={live} front={front} />
        ) : (
          answer && (
            <div className={`shop min-h-full px-3.5 py-3 ${device === "phone" ? "mx-auto w-[375px] border-x border-rule" : ""}`}>
              {answer.redirect && <p className="mb-2 font-semibold">Shoppers are sent to {answer.redirect.value}.</p>}
              <Results
                answer={answer}
                front={front}
                address={address}
                onChange={(next) => (next.query === address.query ? go(next) : tryQuery(next.query || START.query))}
                productLink={() => undefined}
                grid={(hits) => <HitGrid hits={hits} isDraft={mode === "draft"} />}
              />
            </div>
          )
        )}
      </div>
      {asked && <WhyHere />}
    </section>
  );
}
