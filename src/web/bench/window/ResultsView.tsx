import type { Hit } from "@core/search/request";
import type { Layout } from "@core/settings/page/layout";
import { Button } from "@ui/Button";
import { Link } from "react-router";
import type { Address } from "../../shop/address";
import type { Inset } from "../../shop/results/grid";
import { Results } from "../../shop/results/Results";
import { ShopRoot } from "../../shop/ShopRoot";
import { useOpen } from "../state/bench";
import { useWindow, useWindowParts } from "../state/window";
import { BothStates, DRAFT, LIVE } from "./BothStates";
import { DeviceFrame } from "./DeviceFrame";
import { Finder } from "./Finder";
import { HitGrid } from "./HitGrid";
import { Redirected } from "./Redirected";
import { Trace } from "./Trace";
import { Upcoming } from "./Upcoming";
import { Walk } from "./Walk";
import { WhyHere } from "./WhyHere";

// Made once, so that the shop draws itself anew only for a new answer.
const draftGrid = (hits: Hit[], layout: Layout, inset: Inset | null) => <HitGrid hits={hits} layout={layout} inset={inset} isDraft />;
const liveGrid = (hits: Hit[], layout: Layout, inset: Inset | null) => (
  <HitGrid hits={hits} layout={layout} inset={inset} isDraft={false} />
);

function follow(next: Address): void {
  const { address, go, try: tryQuery } = useWindow.getState();
  if (next.query === address.query) go(next);
  else tryQuery(next.query);
}

/** The results of the search being tried, with what was made of it. */
export function ResultsView() {
  const { front: draftFront, liveFront, store } = useOpen("front", "liveFront", "store");
  const { address, mode, device, draft, live, proposal, proposed, failure, isBusy, asked, isFinding, propose } = useWindowParts(
    "address",
    "mode",
    "device",
    "draft",
    "live",
    "proposal",
    "proposed",
    "failure",
    "isBusy",
    "asked",
    "isFinding",
    "propose",
  );
  const front = mode === "live" ? liveFront : draftFront;
  const answer = mode === "live" ? live?.answer : draft;
  if (store.products === 0)
    return (
      <div className="px-5 py-8">
        <h2 className="text-[16px]/6">No products yet</h2>
        <p className="mt-1 text-soft">Here is your shop as shoppers see it, as soon as products are brought in.</p>
        <Link to={`/bench/${store.id}/catalogue/feed`} className="mt-2 inline-block font-semibold text-press">
          Import products
        </Link>
      </div>
    );
  return (
    <>
      {proposal && (
        <p className="flex items-center gap-2 border-b border-rule bg-raised px-3.5 py-1.5 text-[13px]">
          <b className="font-semibold text-press">{proposal.name}</b>
          <span className="flex-1 text-soft">beside the draft; [ and ] step through real searches</span>
          <Button onClick={() => propose(null)}>Draft alone</Button>
        </p>
      )}
      <Walk />
      {isFinding && <Finder />}
      {draft && <Trace />}
      {draft && <Upcoming />}
      <div className="relative min-h-0 flex-1 overflow-auto">
        {failure && (
          <p role="alert" className="p-4 text-loss">
            {failure}
          </p>
        )}
        {isBusy && <p className="absolute top-1 right-3 z-10 text-[12px] text-soft">Searching …</p>}
        {proposal && draft && !failure ? (
          proposed && (
            <BothStates
              next={{ title: proposal.name, tone: "border-press text-press", answer: proposed.answer }}
              now={{ ...DRAFT, answer: draft }}
              before={proposed.before}
              front={front}
            />
          )
        ) : mode === "both" && draft && live ? (
          <BothStates
            next={{ ...DRAFT, answer: draft }}
            now={{ ...LIVE, answer: live.answer }}
            before={live}
            front={front}
            isOld={draft.query.typed !== address.query}
          />
        ) : (
          answer && (
            <DeviceFrame device={device}>
              <ShopRoot front={front} className="min-h-full px-3.5 py-3">
                {answer.redirect && <Redirected redirect={answer.redirect} />}
                <Results answer={answer} front={front} address={address} onChange={follow} grid={mode === "draft" ? draftGrid : liveGrid} />
              </ShopRoot>
            </DeviceFrame>
          )
        )}
      </div>
      {asked && <WhyHere />}
    </>
  );
}
