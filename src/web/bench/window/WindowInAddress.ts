import { useEffect, useRef } from "react";
import { type NavigateFunction, useLocation, useNavigate, useNavigationType } from "react-router";
import { pick } from "../state/parts";
import { useWindow } from "../state/window";
import { type Shown, saysWindow, windowOf, withWindow } from "../state/window-address";

const PARTS = ["address", "mode", "device", "at", "view", "asked"] as const;
const shownNow = (): Shown => pick(useWindow.getState(), PARTS);
const textOf = (shown: Shown) => withWindow(new URLSearchParams(), shown).toString();
/** How long the window stays as it is before that is a step to go back to, in ms: letters typed one after the other are one. */
const PAUSE = 500;

/** Keeps address and window alike: what is looked at is in the address, and going back shows what was looked at. */
export function useWindowInAddress(): void {
  const { search, key } = useLocation();
  const how = useNavigationType();
  const navigate = useNavigate();
  const seen = useRef("");
  useEffect(() => {
    const params = new URLSearchParams(search);
    const isBack = how === "POP" && seen.current !== "" && seen.current !== key;
    seen.current = key;
    // A link to another screen says nothing of the window and leaves it as it is.
    if (!isBack && !saysWindow(params)) return write(navigate, false);
    const told = windowOf(params);
    if (textOf(told) !== textOf(shownNow())) useWindow.setState(told);
  }, [key, how, search, navigate]);
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
  void navigate({ pathname, search: next }, { replace: !(mayGoBack && isStep) });
}

/** The whole address of what is looked at and worked on. */
export function linkHere(): string {
  const { origin, pathname, search } = window.location;
  return `${origin}${pathname}?${withWindow(new URLSearchParams(search), shownNow())}`;
}
