import { lazy, Suspense, useEffect, useState } from "react";
import { whenSomethingIsSaid } from "./toast";

const ToastPlace = lazy(() => import("./ToastPlace"));

/** Where messages appear in passing; loaded with the first of them. */
export function Toasts() {
  const [isWanted, setWanted] = useState(false);
  useEffect(() => whenSomethingIsSaid(() => setWanted(true)), []);
  return isWanted ? (
    <Suspense fallback={null}>
      <ToastPlace />
    </Suspense>
  ) : null;
}
