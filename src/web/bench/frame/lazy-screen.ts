import { type ComponentType, type LazyExoticComponent, lazy } from "react";

/** A screen that is loaded when it is first opened, or before. */
export type LazyScreen = LazyExoticComponent<ComponentType> & { load: () => Promise<unknown> };

export function lazyScreen(load: () => Promise<{ default: ComponentType }>): LazyScreen {
  return Object.assign(lazy(load), { load });
}
