import { lazy, Suspense, useEffect, useState } from "react";
import { whenSomethingIsSaid } from "./toast";

const ToastPlace = lazy(() => import("./ToastPlace"));

/** In ms after the start. */
const LOADED_AFTER = 2_000;

/**
 * Where messages appear in passing. It is loaded with the first of them, or a moment after the start: a message that the server cannot
 * be reached must not need the server.
 */
export function Toasts() {
  const [isWanted, setWanted] = useState(false);
  useEffect(() => {
    const want = () => setWanted(true);
    const timer = setTimeout(want, LOADED_AFTER);
    const leave = whenSomethingIsSaid(want);
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, []);
  return isWanted ? (
    <Suspense fallback={null}>
      <ToastPlace />
    </Suspense>
  ) : null;
}
