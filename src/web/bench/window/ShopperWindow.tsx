import { lazy, type ReactNode, Suspense, useEffect } from "react";
import { shopState, useBench, useOpen } from "../state/bench";
import { useWindow, useWindowParts } from "../state/window";
import { ResultsView } from "./ResultsView";
import { Strip } from "./Strip";

const BoxStage = lazy(() => import("../search-box/stage/BoxStage"));

/** The shopper's view, always there: what would be seen if the work in hand were released now. */
export default function ShopperWindow() {
  const { store, revision, release } = useOpen("store", "revision", "release");
  const { address, device, at, proposal, view, search } = useWindowParts("address", "device", "at", "proposal", "view", "search");
  const key = JSON.stringify(address);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the address, the revision for the settings
  useEffect(() => {
    const { open } = useBench.getState();
    if (open) void search(shopState(open));
  }, [store.id, revision, release, key, at, device, proposal, search]);
  return (
    <Frame>
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
    </Frame>
  );
}

/** Says to those who listen whether what stands inside is still to change; only the frame is drawn for it. */
function Frame({ children }: { children: ReactNode }) {
  const isAsking = useWindow((state) => state.isAsking);
  return (
    <section
      id="shopper-window"
      tabIndex={-1}
      aria-label="Shopper window"
      aria-busy={isAsking}
      className="flex h-full min-w-0 flex-col bg-paper outline-none"
    >
      {children}
    </section>
  );
}
