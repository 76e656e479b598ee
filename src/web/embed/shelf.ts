import { type Config, configFrom } from "./config";

/**
 * What a page includes: a few lines that keep the places of the elements free and bring the rest when the page has
 * nothing better to do. Nothing of it holds the page up.
 */

declare global {
  interface Window {
    cleverShelf?: Config;
  }
}

const PLACES = "clever-shelf,clever-shelf-box,clever-shelf-results,clever-shelf-filters,clever-shelf-related";

const script = document.querySelector<HTMLScriptElement>('script[src*="/embed/shelf.js"]');
window.cleverShelf = configFrom(script, new URL(/* @vite-ignore */ "..", import.meta.url).href.replace(/\/$/, ""));

const style = document.createElement("style");
style.textContent = `:is(${PLACES}){display:block}:is(clever-shelf,clever-shelf-box):not(:defined){min-height:44px}`;
document.head.append(style);

const load = () => void import("./main");
if (document.querySelector(PLACES)) load();
else if ("requestIdleCallback" in window) requestIdleCallback(load);
else setTimeout(load, 200);
