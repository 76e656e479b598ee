import "./styles.css";
import { lazyScreen } from "@ui/lazy-screen";
import { askAhead } from "./bench/ask/opening";
import { loadAhead } from "./bench/frame/screens";

/**
 * The first file that a page of the bench runs. It is small, so that everything else is on its way at once, beside each other: the
 * bench, the screen that the address names, and what the server knows of the store.
 */
async function start(root: HTMLElement): Promise<void> {
  const { pathname } = window.location;
  const pages = import("./Pages");
  const bench = lazyScreen(() => import("./bench/Bench"));
  const parts = [bench.load(), loadAhead(pathname)];
  askAhead(pathname);
  const { showPages } = await pages;
  // What cannot be loaded is said where it would be drawn.
  await Promise.allSettled(parts);
  showPages(root, bench);
}

const root = document.getElementById("root");
if (root)
  start(root).catch(() => {
    root.textContent = "This page could not be loaded. Load it again.";
  });
