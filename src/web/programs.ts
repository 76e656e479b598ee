import { lazyScreen } from "@ui/lazy-screen";

/** The programs of the pages, loaded apart. */
export const BENCH = lazyScreen(() => import("./bench/Bench"));
export const SHOP = lazyScreen(() => import("./shop/Shop"));
