import type { SearchAnswer, Why } from "@core/search/request";
import { call, HttpError, isAborted } from "@ui/http";
import { create } from "zustand";
import { type Address, START, toRequest } from "../../shop/address";

export type Mode = "draft" | "live" | "both";
export type Device = "wide" | "phone";

/** Where products stand in what is live, for the marks of movement. */
export interface LiveRanks {
  answer: SearchAnswer;
  positions: Map<string, number>;
}

export interface Lost {
  id: string;
  title: string;
  why: Why;
}

interface WindowState {
  address: Address;
  mode: Mode;
  device: Device;
  /** The date to pretend, null for now. */
  at: string | null;
  draft: SearchAnswer | null;
  live: LiveRanks | null;
  /** Products on the live first page that the draft does not show there. */
  lost: Lost[];
  failure: string | null;
  isBusy: boolean;
  /** The product whose place is explained. */
  asked: string | null;
  isFinding: boolean;
  go: (address: Partial<Address>) => void;
  try: (query: string) => void;
  set: (part: Partial<Pick<WindowState, "mode" | "device" | "at" | "asked" | "isFinding">>) => void;
  /** Lets the next search be asked although nothing of it changed: the catalogue did. */
  forget: () => void;
  /** Answers the search of the address; the same question at the same revision is asked once. */
  search: (shop: { store: string; revision: number; release: number | null; fields: string[] }) => Promise<void>;
}

const MOST_COMPARED = 250;
let running: AbortController | null = null;
let asking: string | null = null;
const liveAnswers = new Map<string, LiveRanks>();

export const useWindow = create<WindowState>()((set, get) => ({
  address: START,
  mode: "draft",
  device: "wide",
  at: null,
  draft: null,
  live: null,
  lost: [],
  failure: null,
  isBusy: false,
  asked: null,
  isFinding: false,
  go: (address) => set((state) => ({ address: { ...state.address, ...address } })),
  try: (query) => set({ address: { ...START, query }, asked: null }),
  set,
  forget() {
    asking = null;
    liveAnswers.clear();
  },
  async search({ store, revision, release, fields }) {
    const { address, at } = get();
    const question = JSON.stringify([store, revision, release, address, at]);
    if (question === asking) return;
    asking = question;
    running?.abort();
    const controller = new AbortController();
    running = controller;
    const path = `/api/stores/${encodeURIComponent(store)}/search`;
    const ask = (body: object) => call<SearchAnswer>(path, { body, signal: controller.signal });
    const slow = setTimeout(() => set({ isBusy: true }), 300);
    try {
      const request = { ...toRequest(address, fields), at };
      const key = JSON.stringify([store, release, request]);
      const known = liveAnswers.get(key);
      const [draft, remembered] = await Promise.all([ask({ ...request, source: "draft" }), known ?? askLive(ask, request)]);
      // A catalogue that changed makes old answers worthless.
      const isStale = remembered.answer.state.catalogue !== draft.state.catalogue;
      const live = isStale ? await askLive(ask, request) : remembered;
      if (!known || isStale) remember(key, live);
      set({ draft, live, failure: null, lost: [] });
      await findLost(ask, request, draft, live, (lost) => set({ lost }));
    } catch (error) {
      if (running === controller) asking = null;
      if (!isAborted(error)) set({ failure: error instanceof HttpError ? error.message : "The search failed." });
    } finally {
      clearTimeout(slow);
      if (running === controller) set({ isBusy: false });
    }
  },
}));

type Ask = (body: object) => Promise<SearchAnswer>;

/** Live answers do not change until the next release, so each is asked for once. */
async function askLive(ask: Ask, request: object): Promise<LiveRanks> {
  const [answer, all] = await Promise.all([
    ask({ ...request, source: "live" }),
    ask({ ...request, source: "live", offset: 0, limit: MOST_COMPARED, fields: [] }),
  ]);
  return { answer, positions: new Map(all.hits.map((hit) => [hit.id, hit.position])) };
}

function remember(key: string, live: LiveRanks): void {
  if (liveAnswers.size > 40) liveAnswers.delete([...liveAnswers.keys()][0]);
  liveAnswers.set(key, live);
}

async function findLost(ask: Ask, request: object, draft: SearchAnswer, live: LiveRanks, show: (lost: Lost[]) => void): Promise<void> {
  const shown = new Set(draft.hits.map((hit) => hit.id));
  const gone = live.answer.hits.filter((hit) => !shown.has(hit.id));
  if (gone.length === 0) return;
  const { why } = await ask({ ...request, source: "draft", limit: 0, fields: [], why: gone.map((hit) => hit.id) });
  show(gone.map((hit) => ({ id: hit.id, title: hit.title, why: why[hit.id] })).filter((entry) => "reason" in entry.why));
}
