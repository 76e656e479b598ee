import type { SearchAnswer, ShopFront } from "@contract/search";
import { followLocale } from "@ui/format";
import { isAborted, sayError } from "@ui/http";
import { createStore, type StoreApi } from "zustand/vanilla";
import { type Address, deviceOf, fromParams, START, toParams, toRequest } from "../shop/address";
import { askShop, cardFields, liveClient, type ShopClient } from "../shop/client";
import { leadOf, MOST_LEADS } from "../shop/redirect";
import { record } from "../shop/visit";
import type { Config } from "./config";
import { addressFor, type Piece } from "./piece";

/** What the elements of a group share: the search, its answer, and the way to another. */
interface GroupState {
  /** Address of the shop's own calls. */
  base: string;
  front: ShopFront | null;
  client: ShopClient | null;
  address: Address;
  answer: SearchAnswer | null;
  failure: string | null;
  /** Whether something is asked for: before that a page shows nothing but its box. */
  isAsked: boolean;
  /** Whether the results are in a layer over the page, and it is open. */
  isLayerOpen: boolean;
  go: (address: Address, how?: { replace: boolean }) => void;
  openLayer: (isOpen: boolean) => void;
}

export type Group = StoreApi<GroupState>;

const groups = new Map<string, Group>();

/** The group of an element; the first of its elements makes it, and says to what part of the range it is limited. */
export function groupFor(config: Config, piece: Piece): Group {
  const key = JSON.stringify([config.server, config.key, piece.group]);
  let group = groups.get(key);
  if (!group) {
    group = makeGroup(config, piece);
    groups.set(key, group);
  }
  return group;
}

function makeGroup(config: Config, { group, category, within }: Piece): Group {
  const guides = { guide: (id: string) => addressFor(config.guide, encodeURIComponent(id)) };
  const base = `${config.server}/public/${encodeURIComponent(config.key)}`;
  const prefix = group ? `${group}.` : "";
  const limits = { category, within };
  let running: AbortController | null = null;
  /** How often a search has led on to the next one. */
  let leads = 0;
  /** A box never looks beyond the part of the range that it stands for, whatever an address says. */
  const limited = (address: Address): Address => {
    const isBelow = category?.every((label, i) => address.category?.[i] === label) ?? true;
    return { ...address, within: within ?? address.within, category: isBelow ? address.category : category };
  };
  const read = (): Pick<GroupState, "address" | "isAsked" | "isLayerOpen"> => {
    const params = ownParams(prefix);
    const path = params.get("c");
    const isAsked = [...params.keys()].length > 0;
    return { address: limited(fromParams(params, path ? path.split("/").map(decodeURIComponent) : null)), isAsked, isLayerOpen: isAsked };
  };
  const store = createStore<GroupState>()((set) => ({
    base,
    front: null,
    client: null,
    answer: null,
    failure: null,
    ...read(),
    go(next, { replace } = { replace: false }) {
      const address = limited(next);
      set({ address, isAsked: true });
      writeParams(prefix, address, limits, replace);
      void ask();
    },
    openLayer(isLayerOpen) {
      set({ isLayerOpen });
      if (isLayerOpen) return;
      // What is closed is gone from the address too, so that loading the page again does not open it.
      const address = limited(START);
      set({ address, isAsked: false, answer: null });
      writeParams(prefix, address, limits, false);
    },
  }));
  const { setState: set, getState: get } = store;
  async function ask(): Promise<void> {
    const { front, client, address, isAsked } = get();
    if (!front || !client || !isAsked) return;
    running?.abort();
    running = new AbortController();
    try {
      const answer = await client.search(
        toRequest(address, cardFields(front), { ...front, device: deviceOf(window.innerWidth) }),
        running.signal,
      );
      record(base, { kind: "search", searchId: answer.searchId, query: address.query });
      const lead = answer.redirect && leads < MOST_LEADS ? leadOf(answer.redirect, guides) : null;
      if (!lead) {
        leads = 0;
        set({ answer, failure: null });
      } else if ("url" in lead) window.location.assign(lead.url);
      else {
        leads++;
        get().go(lead.address, { replace: true });
      }
    } catch (error) {
      if (!isAborted(error)) set({ failure: sayError(error) });
    }
  }
  window.addEventListener("popstate", () => {
    set(read());
    void ask();
  });
  askShop(base)("GET /front.json", { query: config.language ? { language: config.language } : {} }).then(
    (front) => {
      followLocale(front.locale);
      set({ front, client: liveClient(base, front.language) });
      void ask();
    },
    (error) => set({ failure: sayError(error) }),
  );
  return store;
}

/** The part of the page's address that belongs to a group. */
const OWN = /^(q|c|sort|page|as|per|view|show|within|[fr]\..+)$/;

function ownParams(prefix: string): URLSearchParams {
  const own = new URLSearchParams();
  for (const [name, value] of new URLSearchParams(location.search)) {
    if (name.startsWith(prefix) && OWN.test(name.slice(prefix.length))) own.append(name.slice(prefix.length), value);
  }
  return own;
}

/** Writes a group's search into the page's address, and leaves what others have written there. */
function writeParams(prefix: string, address: Address, limits: Pick<Piece, "category" | "within">, replace: boolean): void {
  const params = new URLSearchParams();
  for (const [name, value] of new URLSearchParams(location.search)) {
    if (!name.startsWith(prefix) || !OWN.test(name.slice(prefix.length))) params.append(name, value);
  }
  const isLimit = address.category?.join("/") === limits.category?.join("/");
  const own = toParams({ ...address, within: address.within === limits.within ? null : address.within });
  if (address.category && !isLimit) own.set("c", address.category.map(encodeURIComponent).join("/"));
  for (const [name, value] of own) params.append(prefix + name, value);
  const search = params.toString();
  history[replace ? "replaceState" : "pushState"](history.state, "", `${location.pathname}${search ? `?${search}` : ""}${location.hash}`);
}
