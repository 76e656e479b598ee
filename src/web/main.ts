import "./styles.css";
import { askAhead } from "./bench/ask/opening";
import { loadAhead } from "./bench/frame/screens";
import { BENCH, SHOP } from "./programs";

/**
 * The first file that a page runs. It is small, so that everything else is on its way at once, beside each other: the program of
 * the page, the screen that the address names, and what the server knows of the store.
 */
async function start(root: HTMLElement): Promise<void> {
  const { pathname } = window.location;
  const isShop = pathname.startsWith("/shop/");
  const pages = import("./Pages");
  const program = (isShop ? SHOP : BENCH).load();
  const screen = isShop ? null : loadAhead(pathname);
  if (!isShop) askAhead(pathname);
  const { showPages } = await pages;
  // What cannot be loaded is said where it would be drawn.
  await Promise.allSettled([program, screen]);
  showPages(root);
}

const root = document.getElementById("root");
if (root)
  start(root).catch(() => {
    root.textContent = "This page could not be loaded. Load it again.";
  });
