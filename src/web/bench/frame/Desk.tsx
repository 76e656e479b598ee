import { Opened } from "@ui/Opened";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useEffect, useState } from "react";
import { Group, Panel, Separator } from "react-resizable-panels";
import { Navigate, Route, Routes, useParams } from "react-router";
import { useBench } from "../state/bench";
import { MOVED, SCREENS } from "./area-screens";
import { useDrawer } from "./drawer";
import { firstScreen, screenIsAwaited } from "./first-screen";
import { WINDOW } from "./screens";
import { Moved } from "./Tabs";

const NARROW = 1100;

/** Work column and shopper window; where there is no room for both, the window is a drawer. */
export function Desk() {
  const [width, setWidth] = useState(window.innerWidth);
  // What one works at is loaded and drawn first, the window right after it.
  const [isWindowDrawn, setWindowDrawn] = useState(false);
  useEffect(() => {
    screenIsAwaited();
    void firstScreen.then(() => setWindowDrawn(true));
  }, []);
  useEffect(() => {
    const onResize = () => setWidth(window.innerWidth);
    window.addEventListener("resize", onResize);
    return () => window.removeEventListener("resize", onResize);
  }, []);
  if (width < NARROW)
    return (
      <div className="relative flex min-w-0 flex-1">
        <div className="min-w-0 flex-1">
          <Work />
        </div>
        {isWindowDrawn && <Drawer />}
      </div>
    );
  return (
    <Group orientation="horizontal" className="min-w-0 flex-1">
      <Panel defaultSize="45.5%" minSize="380px">
        <Work />
      </Panel>
      <Separator
        aria-label="Width of the shopper window"
        className="w-px bg-rule outline-offset-0 hover:bg-press data-[separator=active]:bg-press"
      />
      <Panel defaultSize="54.5%" minSize="420px">
        {isWindowDrawn && <Opened screen={WINDOW} />}
      </Panel>
    </Group>
  );
}

/** The area that is worked in. */
function Work() {
  const { store } = useParams();
  // Where there is nothing to search, products come first.
  const isEmpty = useBench(({ open }) => open?.store.products === 0);
  return (
    <main id="work" tabIndex={-1} className="h-full min-h-0 bg-paper outline-none">
      <Routes>
        {Object.entries(SCREENS).map(([path, Screen]) => (
          <Route key={path} path={path} element={<Screen />} />
        ))}
        {Object.entries(MOVED).map(([former, path]) => (
          <Route key={former} path={`${former}/*`} element={<Moved to={`/bench/${store}/${path}`} />} />
        ))}
        <Route path="*" element={<Navigate to={`/bench/${store}/${isEmpty ? "catalogue/feed" : "attributes"}`} replace />} />
      </Routes>
    </main>
  );
}

/** The window behind a handle at the edge; it goes on working while it is closed. */
function Drawer() {
  const { isOpen, set } = useDrawer();
  useEffect(() => {
    if (!isOpen) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "Escape" && !event.defaultPrevented && !(event.target as HTMLElement).matches("input")) set(false);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [isOpen, set]);
  return (
    <div className={isOpen ? "absolute inset-y-0 right-0 z-20 flex w-[min(680px,calc(100%-24px))] shadow-lg" : "flex"}>
      <button
        type="button"
        aria-expanded={isOpen}
        aria-controls="shopper-window"
        onClick={() => set(!isOpen)}
        className="flex w-9 shrink-0 flex-col items-center gap-2 border-x border-rule bg-raised py-4 font-semibold text-press hover:bg-press-soft"
      >
        {isOpen ? <ChevronRight className="size-4" aria-hidden /> : <ChevronLeft className="size-4" aria-hidden />}
        <span className="[writing-mode:vertical-rl]">{isOpen ? "Close the shopper window" : "Shopper window"}</span>
      </button>
      <div className={isOpen ? "min-w-0 flex-1" : "hidden"}>
        <Opened screen={WINDOW} />
      </div>
    </div>
  );
}
