import { type Address, fromParams, START, toParams } from "../../shop/address";

export type Mode = "draft" | "live" | "both";
/** What of the shop is looked at: its results, or its search box. */
export type View = "results" | "box";
export type Device = "wide" | "phone" | "tablet" | "desktop";

/** What of the shopper window is in the address of the page. */
export interface Shown {
  address: Address;
  mode: Mode;
  device: Device;
  /** The date to pretend, null for now. */
  at: string | null;
  view: View;
  /** The product whose place is explained. */
  asked: string | null;
}

export const SHOWN: Shown = { address: START, mode: "draft", device: "wide", at: null, view: "results", asked: null };

const MODES: readonly Mode[] = ["live", "both"];
const DEVICES: readonly Device[] = ["phone", "tablet", "desktop"];

/** The parameters of an address that are about the window; the others belong to the screen beside it. */
const isOfWindow = (key: string) =>
  /^[fr]\./.test(key) ||
  ["q", "category", "sort", "page", "as", "per", "view", "show", "within", "state", "width", "date", "box", "why"].includes(key);

/** Puts what the window shows into the parameters of an address, and leaves those of the screen. */
export function withWindow(params: URLSearchParams, { address, mode, device, at, view, asked }: Shown): URLSearchParams {
  const next = new URLSearchParams([...params].filter(([key]) => !isOfWindow(key)));
  for (const [key, value] of toParams(address)) next.append(key, value);
  for (const name of address.category ?? []) next.append("category", name);
  if (mode !== "draft") next.set("state", mode);
  if (device !== "wide") next.set("width", device);
  if (at) next.set("date", at);
  if (view === "box") next.set("box", "open");
  if (asked) next.set("why", asked);
  return next;
}

/** What an address says of the window; of what it does not say, as it is at the start. */
export function windowOf(params: URLSearchParams): Shown {
  const category = params.getAll("category");
  const date = params.get("date");
  return {
    address: fromParams(params, category.length > 0 ? category : null),
    mode: MODES.find((mode) => mode === params.get("state")) ?? "draft",
    device: DEVICES.find((device) => device === params.get("width")) ?? "wide",
    at: date && !Number.isNaN(Date.parse(date)) ? date : null,
    view: params.get("box") === "open" ? "box" : "results",
    asked: params.get("why"),
  };
}

export const saysWindow = (params: URLSearchParams): boolean => [...params.keys()].some(isOfWindow);
