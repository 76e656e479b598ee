import type { ComponentType } from "react";

/** A screen that is loaded when it is first opened, or before. */
export interface LazyScreen {
  load: () => Promise<{ default: ComponentType }>;
  /** Null until it is loaded. */
  ready: ComponentType | null;
}

export function lazyScreen(load: LazyScreen["load"]): LazyScreen {
  const screen: LazyScreen = {
    ready: null,
    load: async () => {
      const loaded = await load();
      screen.ready = loaded.default;
      return loaded;
    },
  };
  return screen;
}
