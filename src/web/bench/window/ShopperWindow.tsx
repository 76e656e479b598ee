import { lazy, Suspense, useEffect } from "react";
import { shopState, useBench, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { ResultsView } from "./ResultsView";
import { Strip } from "./Strip";

const BoxStage = lazy(() => import("../search-box/stage/BoxStage"));

/** The shopper's view, always there: what would be seen if the work in hand were released now. */
export function ShopperWindow() {
  const { store, revision, release } = useOpen("store", "revision", "release");
  const { address, device, at, proposal, view, search } = useWindowParts("address", "device", "at", "proposal", "view", "search");
  const key = JSON.stringify(address);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the address, the revision for the settings
  useEffect(() => {
    const { open } = useBench.getState();
    if (open) void search(shopState(open));
  }, [store.id, revision, release, key, at, device, proposal, search]);
  return (
    <section aria-label="Shopper window" className="flex h-full min-w-0 flex-col bg-paper">
      <Strip />
      {view === "box" ? (
        <div className="relative min-h-0 flex-1 overflow-auto">
          <Suspense fallback={null}>
            <BoxStage />
          </Suspense>
        </div>
      ) : (
        <ResultsView />
      )}
    </section>
  );
}
