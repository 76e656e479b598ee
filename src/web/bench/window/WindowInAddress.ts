import { useEffect, useRef } from "react";
import { type NavigateFunction, useLocation, useNavigate, useNavigationType } from "react-router";
import { pick } from "../state/parts";
import { useWindow } from "../state/window";
import { type Shown, saysWindow, windowOf, withWindow } from "../state/window-address";

const PARTS = ["address", "mode", "device", "at", "view", "asked"] as const;
const shownNow = (): Shown => pick(useWindow.getState(), PARTS);
const textOf = (shown: Shown) => withWindow(new URLSearchParams(), shown).toString();
/** Marks the addresses that are written here. */
const OWN = "window";
/** How long the window stays as it is before that is a step to go back to, in ms: letters typed one after the other are one. */
const PAUSE = 500;

/** Keeps address and window alike: what is looked at is in the address, and going back shows what was looked at. */
export function useWindowInAddress(): void {
  const { search, key, state } = useLocation();
  const how = useNavigationType();
  const navigate = useNavigate();
  /** What the last address said of the window; null before the first. */
  const last = useRef<string | null>(null);
  useEffect(() => {
    // Each step of the history has a key of its own.
    if (key === "") return;
    const params = new URLSearchParams(search);
    const told = windowOf(params);
    const text = textOf(told);
    const isFirst = last.current === null;
    const isTold = saysWindow(params) && text !== last.current && state !== OWN;
    last.current = text;
    // The address follows the window: it leads only where somebody goes back, or follows a link that says something else of it. What is
    // changed while an address is on its way is newer than that address.
    if ((how === "POP" && !isFirst) || isTold) useWindow.setState(told);
    else if (state !== OWN) write(navigate, false);
  }, [key, how, search, state, navigate]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const end = useWindow.subscribe((state, before) => {
      if (PARTS.every((part) => state[part] === before[part])) return;
      clearTimeout(timer);
      timer = setTimeout(write, PAUSE, navigate, true);
    });
    return () => {
      clearTimeout(timer);
      end();
    };
  }, [navigate]);
}

/**
 * Puts what the window shows into the address there is now, whatever has changed of it meanwhile.
 * @param mayGoBack whether another search is a step to go back to.
 */
function write(navigate: NavigateFunction, mayGoBack: boolean): void {
  const { pathname, search } = window.location;
  const now = new URLSearchParams(search);
  const next = withWindow(now, shownNow()).toString();
  if (next === withWindow(now, windowOf(now)).toString()) return;
  const isStep = JSON.stringify(windowOf(now).address) !== JSON.stringify(shownNow().address);
  void navigate({ pathname, search: next }, { replace: !(mayGoBack && isStep), state: OWN });
}

/** The whole address of what is looked at and worked on. */
export function linkHere(): string {
  const { origin, pathname, search } = window.location;
  return `${origin}${pathname}?${withWindow(new URLSearchParams(search), shownNow())}`;
}
