import { QueryClientProvider } from "@tanstack/react-query";
import { Opened } from "@ui/Opened";
import { Toasts } from "@ui/Toasts";
import { lazy, Suspense, useEffect, useState } from "react";
import { Navigate, Route, Routes, useLocation, useParams } from "react-router";
import { answers } from "./ask/client";
import { LeaveQuestion } from "./forms/LeaveQuestion";
import { Desk } from "./frame/Desk";
import { Rail } from "./frame/Rail";
import { RepairLine } from "./frame/RepairLine";
import { SkipLinks } from "./frame/SkipLinks";
import { FIRST_STORE } from "./frame/screens";
import { TopBar } from "./frame/TopBar";
import { focusNextStep, goOnByEnter } from "./keys/focus-work";
import { keepFocus } from "./keys/keep-focus";
import { useShortcut } from "./keys/shortcuts";
import { useBench, useBenchParts } from "./state/bench";
import { useNews } from "./state/news";
import { isFirstVisit, useTour } from "./tour/state";
import { useWindowInAddress } from "./window/WindowInAddress";

const loadPalette = () => import("./keys/Palette");
const Palette = lazy(loadPalette);
const Tour = lazy(() => import("./tour/Tour"));
const ShortcutList = lazy(() => import("./keys/ShortcutList"));
/** What is typed at once after the palette's key should meet it, in ms after the start. */
const PALETTE_AFTER = 3000;

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
      <Toasts />
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
  useEffect(goOnByEnter, []);
  useEffect(() => {
    const timer = setTimeout(() => void loadPalette().catch(() => undefined), PALETTE_AFTER);
    return () => clearTimeout(timer);
  }, []);
  const [shown, setShown] = useState<"palette" | "help" | null>(null);
  const close = () => setShown(null);
  const find = () => setShown("palette");
  const help = () => setShown("help");
  const isTouring = useTour(({ step }) => step !== null);
  const hasProducts = useBench(({ open }) => (open?.store.products ?? 0) > 0);
  useEffect(() => {
    if (hasProducts && isFirstVisit()) useTour.getState().begin();
  }, [hasProducts]);
  useShortcut("palette", find);
  useShortcut("help", help);
  useShortcut("step", focusNextStep);
  return (
    <div className="flex h-full min-w-[560px] flex-col">
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
        {isTouring && <Tour />}
      </Suspense>
    </div>
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
