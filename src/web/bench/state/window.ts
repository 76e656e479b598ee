import type { SearchAnswer } from "@contract/search";
import { lookUp } from "@core/records";
import type { SearchRequestInput, Why } from "@core/search/request";
import type { PatchOperation } from "@core/settings/patch";
import { ask, HttpError, isAborted, sayError } from "@ui/http";
import { reuseUnchanged, reuseUnchangedById } from "@ui/reuse";
import { create } from "zustand";
import { type Address, type Asking, START, toRequest } from "../../shop/address";
import { partsOf } from "./parts";
import { type Shown, windowOf } from "./window-address";

/** Widths of devices in CSS pixels; "wide" is as wide as there is room. */
export const DEVICE_WIDTHS = { phone: 375, tablet: 768, desktop: 1280 } as const;

/** Where products are in what is live, for the marks of movement. */
export interface LiveRanks {
  answer: SearchAnswer;
  positions: Map<string, number>;
}

interface Lost {
  id: string;
  title: string;
  why: Why;
}

export interface Proposal {
  name: string;
  patch: readonly PatchOperation[];
}

/** The shop that is looked at, and how far it is. */
export interface ShopState {
  store: string;
  revision: number;
  release: number | null;
  /** What the shop decides of its searches, and what is shown of each product: in the draft, and in what is live. */
  draft: Asking & { fields: string[] };
  live: Asking & { fields: string[] };
}

interface WindowState extends Shown {
  draft: SearchAnswer | null;
  live: LiveRanks | null;
  /** A change that is looked at beside the draft before it enters it, and what the search would come to. */
  proposal: Proposal | null;
  proposed: { answer: SearchAnswer; before: LiveRanks } | null;
  /** Products on the live first page that the draft does not show there. */
  lost: Lost[];
  failure: string | null;
  /** Whether an answer is on its way. */
  isAsking: boolean;
  /** Whether it takes long enough to be said. */
  isBusy: boolean;
  isFinding: boolean;
  /** What is typed into the box that is looked at; null for the search being tried. */
  sample: string | null;
  go: (address: Partial<Address>) => void;
  try: (query: string) => void;
  set: (part: Partial<Pick<WindowState, "mode" | "device" | "at" | "asked" | "isFinding" | "view" | "sample">>) => void;
  /** Looks at a change beside the draft; null looks at the draft alone again. */
  propose: (proposal: Proposal | null) => void;
  /** Lets the next search be asked although nothing of it changed: the catalogue did. */
  forget: () => void;
  /** Answers the search of the address; the same question at the same revision is asked once, and may be while the revision is being made. */
  search: (shop: ShopState) => Promise<void>;
}

const MOST_COMPARED = 250;
let running: AbortController | null = null;
let asking: string | null = null;
const liveAnswers = new Map<string, LiveRanks>();

export const useWindow = create<WindowState>()((set, get) => ({
  ...windowOf(new URLSearchParams(globalThis.location?.search)),
  draft: null,
  live: null,
  proposal: null,
  proposed: null,
  lost: [],
  failure: null,
  isAsking: false,
  isBusy: false,
  isFinding: false,
  sample: null,
  go: (address) => set((state) => ({ address: { ...state.address, ...address } })),
  try: (query) => set(({ view }) => ({ address: { ...START, query }, asked: null, ...(view === "box" ? { sample: query } : {}) })),
  set,
  propose: (proposal) => set({ proposal, proposed: null, asked: null }),
  forget() {
    asking = null;
    liveAnswers.clear();
  },
  async search({ store, revision, release, draft: draftShop, live: liveShop }) {
    const { address, at, proposal, device: shown } = get();
    const device = shown === "wide" ? "desktop" : shown;
    const question = JSON.stringify([store, revision, release, address, at, device, proposal, draftShop.chosen, liveShop.chosen]);
    if (question === asking) return;
    asking = question;
    running?.abort();
    const controller = new AbortController();
    running = controller;
    const params = { store };
    const { signal } = controller;
    const search = (body: SearchRequestInput) => ask("POST /api/stores/{store}/search", { params, query: { revision }, body, signal });
    set({ isAsking: true });
    const slow = setTimeout(() => set({ isBusy: true }), 300);
    try {
      const request = { ...toRequest(address, draftShop.fields, { ...draftShop, device }), at };
      const liveRequest = { ...toRequest(address, liveShop.fields, { ...liveShop, device }), at };
      const key = JSON.stringify([store, release, liveRequest]);
      const known = liveAnswers.get(key);
      const [draft, remembered, proposed] = await Promise.all([
        search({ ...request, source: "draft" }),
        known ?? askLive(search, liveRequest),
        proposal &&
          askProposed(
            search,
            (request) =>
              ask("POST /api/stores/{store}/trial/search", {
                params,
                query: { revision },
                body: { patch: [...proposal.patch], request },
                signal,
              }),
            request,
          ).catch((error: unknown) => {
            if (error instanceof HttpError) return error;
            throw error;
          }),
      ]);
      // A catalogue that changed makes old answers worthless.
      const isStale = remembered.answer.state.catalogue !== draft.state.catalogue;
      const live = isStale ? await askLive(search, liveRequest) : remembered;
      if (!known || isStale) remember(key, live);
      set((old) => ({ draft: sharingAnswer(old.draft, draft), live, failure: null, lost: [] }));
      // A change that no longer fits the draft must not take the draft's own results away.
      set(proposed instanceof HttpError ? { proposed: null, failure: `${proposal?.name}: ${proposed.message}` } : { proposed });
      // An answer that the edit has not reached yet is not the last word: whoever asks next asks anew.
      if (draft.state.settings < revision) asking = null;
      await findLost(search, request, draft, live, (lost) => set({ lost }));
    } catch (error) {
      if (running === controller) asking = null;
      if (!isAborted(error)) set({ failure: sayError(error, "The search failed.") });
    } finally {
      clearTimeout(slow);
      if (running === controller) set({ isAsking: false, isBusy: false });
    }
  },
}));

export const useWindowParts = partsOf(useWindow);

type Search = (body: SearchRequestInput) => Promise<SearchAnswer>;

/** The answer, with what did not change since the last one left as it was, so that it is not drawn again. */
function sharingAnswer(before: SearchAnswer | null, answer: SearchAnswer): SearchAnswer {
  const { hits, filters, ...rest } = answer;
  const { hits: oldHits = [], filters: oldFilters = [], ...oldRest } = before ?? {};
  return { ...reuseUnchanged(oldRest, rest), hits: reuseUnchangedById(oldHits, hits), filters: reuseUnchangedById(oldFilters, filters) };
}

/** What the search would come to with a change laid over the draft, and where products stand without it. */
async function askProposed(search: Search, searchWith: Search, request: SearchRequestInput): Promise<WindowState["proposed"]> {
  const all = { ...request, source: "draft" as const, offset: 0, limit: MOST_COMPARED, fields: [] };
  const [answer, draft] = await Promise.all([searchWith(request), search(all)]);
  return { answer, before: { answer: draft, positions: positionsOf(draft) } };
}

const positionsOf = ({ hits }: SearchAnswer) => new Map(hits.map((hit) => [hit.id, hit.position]));

/** Live answers do not change until the next release, so each is asked for once. */
async function askLive(search: Search, request: SearchRequestInput): Promise<LiveRanks> {
  const [answer, all] = await Promise.all([
    search({ ...request, source: "live" }),
    search({ ...request, source: "live", offset: 0, limit: MOST_COMPARED, fields: [] }),
  ]);
  return { answer, positions: positionsOf(all) };
}

function remember(key: string, live: LiveRanks): void {
  if (liveAnswers.size > 40) liveAnswers.delete([...liveAnswers.keys()][0]);
  liveAnswers.set(key, live);
}

async function findLost(
  search: Search,
  request: SearchRequestInput,
  draft: SearchAnswer,
  live: LiveRanks,
  show: (lost: Lost[]) => void,
): Promise<void> {
  const shown = new Set(draft.hits.map((hit) => hit.id));
  const gone = live.answer.hits.filter((hit) => !shown.has(hit.id));
  if (gone.length === 0) return;
  const { why } = await search({ ...request, source: "draft", limit: 0, fields: [], why: gone.map((hit) => hit.id) });
  show(gone.map((hit) => ({ id: hit.id, title: hit.title, why: lookUp(why, hit.id) })).filter((entry) => "reason" in entry.why));
}
