import { type ComponentType, lazy, useState } from "react";
import type { LazyScreen } from "./lazy-screen";

const awaited = new WeakMap<LazyScreen, ComponentType>();

/** Waits for a screen that is not loaded yet, within the nearest Suspense. */
function waitFor(screen: LazyScreen): ComponentType {
  const made = awaited.get(screen) ?? lazy(screen.load);
  awaited.set(screen, made);
  return made;
}

/** A screen. One that is loaded is drawn in the same step; a lazy one would show its skeleton first, and keep it for a while. */
export function Opened({ screen }: { screen: LazyScreen }) {
  const [Drawn] = useState<ComponentType>(() => screen.ready ?? waitFor(screen));
  return <Drawn />;
}
