import { QueryClientProvider } from "@tanstack/react-query";
import { Opened } from "@ui/Opened";
import { lazy, Suspense, useDeferredValue, useEffect, useState } from "react";
import { Group, Panel, Separator } from "react-resizable-panels";
import { Navigate, Route, Routes, useLocation, useParams } from "react-router";
import { Toaster } from "sonner";
import { answers } from "./ask/client";
import { LeaveQuestion } from "./forms/LeaveQuestion";
import { MOVED, SCREENS } from "./frame/area-screens";
import { Rail } from "./frame/Rail";
import { RepairLine } from "./frame/RepairLine";
import { SkipLinks } from "./frame/SkipLinks";
import { FIRST_STORE } from "./frame/screens";
import { Moved } from "./frame/Tabs";
import { TopBar } from "./frame/TopBar";
import { keepFocus } from "./keys/keep-focus";
import { useShortcut } from "./keys/shortcuts";
import { useBench, useBenchParts } from "./state/bench";
import { useNews } from "./state/news";
import { ShopperWindow } from "./window/ShopperWindow";
import { useWindowInAddress } from "./window/WindowInAddress";

const Palette = lazy(() => import("./keys/Palette"));
const ShortcutList = lazy(() => import("./keys/ShortcutList"));

/** The merchandiser's bench: areas, the work in hand, and the shopper's view beside it. */
export default function Bench() {
  return (
    <QueryClientProvider client={answers}>
      <Stores />
    </QueryClientProvider>
  );
}

function Stores() {
  return (
    <>
      <Routes>
        <Route index element={<FirstOrNone />} />
        <Route path="new" element={<Opened screen={FIRST_STORE} />} />
        <Route path=":store/*" element={<OpenStore />} />
      </Routes>
      <LeaveQuestion />
      <Toaster
        position="bottom-left"
        offset={{ left: 164, bottom: 16 }}
        className="!font-sans"
        toastOptions={{
          style: { background: "var(--raised)", color: "var(--ink)", borderColor: "var(--rule)", font: "inherit" },
          actionButtonStyle: { background: "var(--press)", color: "var(--on-press)" },
        }}
      />
    </>
  );
}

/** The first store, or where one is made. */
function FirstOrNone() {
  const { stores, failure, loadStores } = useBenchParts("stores", "failure", "loadStores");
  useEffect(() => {
    void loadStores();
  }, [loadStores]);
  if (failure && !stores) return <Failure text={failure} />;
  if (!stores) return null;
  return stores[0] ? <Navigate to={stores[0].id} replace /> : <Opened screen={FIRST_STORE} />;
}

function OpenStore() {
  const { store = "" } = useParams();
  const { failure, openStore, refresh } = useBenchParts("failure", "openStore", "refresh");
  const name = useBench(({ open }) => (open?.store.id === store ? open.store.name : null));
  const isOpen = name !== null;
  useEffect(() => {
    if (!isOpen) void openStore(store);
  }, [store, isOpen, openStore]);
  useEffect(() => {
    if (!isOpen) return;
    document.title = `${name} · Clever Shelf`;
    // Another tab may have gone on meanwhile.
    const onFocus = () => void refresh();
    window.addEventListener("focus", onFocus);
    return () => window.removeEventListener("focus", onFocus);
  }, [isOpen, name, refresh]);
  if (failure && !isOpen) return <Failure text={failure} />;
  if (!isOpen) return null;
  return <Frame store={store} />;
}

/** What stands around every area of an open store. */
function Frame({ store }: { store: string }) {
  const { pathname, search } = useLocation();
  useNews(store, pathname.split("/").slice(3).join("/") + search);
  useWindowInAddress();
  useEffect(() => keepFocus(document.body), []);
  const [shown, setShown] = useState<"palette" | "help" | null>(null);
  const close = () => setShown(null);
  const find = () => setShown("palette");
  const help = () => setShown("help");
  useShortcut("palette", find);
  useShortcut("help", help);
  return (
    <div className="flex h-full min-w-[720px] flex-col">
      <SkipLinks />
      <TopBar onFind={find} />
      <RepairLine />
      <div className="flex min-h-0 flex-1">
        <Rail onHelp={help} />
        <Desk />
      </div>
      {/* Loaded when it is first wanted. */}
      <Suspense fallback={null}>
        {shown === "palette" && <Palette onClose={close} />}
        {shown === "help" && <ShortcutList onClose={close} />}
      </Suspense>
    </div>
  );
}

const NARROW = 1100;

/** Work column and shopper window; where there is no room for both, the window is a drawer. */
function Desk() {
  const [width, setWidth] = useState(window.innerWidth);
  const [isDrawerOpen, setDrawerOpen] = useState(false);
  // What one works at is drawn first, the window right after it.
  const isWindowDrawn = useDeferredValue(true, false);
  const { store } = useParams();
  useEffect(() => {
    const onResize = () => setWidth(window.innerWidth);
    window.addEventListener("resize", onResize);
    return () => window.removeEventListener("resize", onResize);
  }, []);
  const areas = (
    <main id="work" tabIndex={-1} className="h-full min-h-0 bg-paper outline-none">
      <Routes>
        {Object.entries(SCREENS).map(([path, Screen]) => (
          <Route key={path} path={path} element={<Screen />} />
        ))}
        {Object.entries(MOVED).map(([former, path]) => (
          <Route key={former} path={`${former}/*`} element={<Moved to={`/bench/${store}/${path}`} />} />
        ))}
        <Route path="*" element={<Navigate to={`/bench/${store}/attributes`} replace />} />
      </Routes>
    </main>
  );
  if (width < NARROW) {
    return (
      <div className="relative min-w-0 flex-1">
        {areas}
        <button
          type="button"
          aria-expanded={isDrawerOpen}
          onClick={() => setDrawerOpen(!isDrawerOpen)}
          className="absolute right-4 bottom-4 z-30 rounded bg-press px-4 py-2 font-semibold text-on-press shadow-md"
        >
          {isDrawerOpen ? "Back to the work" : "See the shop"}
        </button>
        {isDrawerOpen && (
          <div className="absolute inset-y-0 right-0 z-20 w-[min(640px,92%)] border-l border-rule shadow-lg">
            <ShopperWindow />
          </div>
        )}
      </div>
    );
  }
  return (
    <Group orientation="horizontal" className="min-w-0 flex-1">
      <Panel defaultSize="45.5%" minSize="380px">
        {areas}
      </Panel>
      <Separator
        aria-label="Width of the shopper window"
        className="w-px bg-rule outline-offset-0 hover:bg-press data-[separator=active]:bg-press"
      />
      <Panel defaultSize="54.5%" minSize="420px">
        {isWindowDrawn && <ShopperWindow />}
      </Panel>
    </Group>
  );
}

function Failure({ text }: { text: string }) {
  return (
    <div className="mx-auto max-w-[480px] px-6 py-20">
      <h1 className="mb-2 text-[22px]">The bench cannot be opened</h1>
      <p className="mb-4 text-soft">{text}</p>
      <a href="/bench" className="font-semibold text-press">
        Try again
      </a>
    </div>
  );
}
