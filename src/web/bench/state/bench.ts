import type { Field } from "@core/catalogue/types";
import { type Change, describeChanges } from "@core/settings/changes";
import { frontOfSettings } from "@core/settings/front";
import type { Settings } from "@core/settings/schema";
import type { Operation } from "@core/shelves/edit";
import { call, HttpError } from "@ui/http";
import { sharing } from "@ui/shared";
import jsonPatch, { type Operation as PatchOperation } from "fast-json-patch";
import { toast } from "sonner";
import { create } from "zustand";
import { useShallow } from "zustand/react/shallow";
import { cardFields, type Front } from "../../shop/client";
import { partsOf, pick } from "./parts";
import { type ShopState, useWindow } from "./window";

export interface StoreInfo {
  id: string;
  name: string;
  locale: string;
  languages: string[];
  currency: string;
  timeZone: string;
  products: number;
  revision: number;
  release: number | null;
}

export interface FieldInfo {
  key: string;
  label: string;
  type: Field["type"];
  role: string;
  coverage: number;
  distinct: number;
  averageLength: number;
  samples: string[];
  shown: boolean;
}

export interface ReleaseInfo {
  number: number;
  at: string;
  note: string;
  by: string;
}

interface Changes {
  since: number | null;
  canUndo: boolean;
  canRedo: boolean;
  inverse: PatchOperation[];
}

interface Open {
  store: StoreInfo;
  /** The shop as the draft has it, and as it is live. */
  front: Front;
  liveFront: Front;
  fields: FieldInfo[];
  revision: number;
  /** The draft as it is here, edits under way included. */
  settings: Settings;
  live: Settings;
  release: number | null;
  canUndo: boolean;
  canRedo: boolean;
  /** How the draft differs from what is live. */
  changes: Change[];
  releases: ReleaseInfo[];
}

interface BenchState {
  stores: StoreInfo[] | null;
  open: Open | null;
  failure: string | null;
  loadStores: () => Promise<void>;
  openStore: (id: string) => Promise<void>;
  /** Changes the draft here at once and on the server after it; what the server refuses is put back and said. */
  edit: (patch: Operation[]) => Promise<void>;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  releaseDraft: (note: string) => Promise<void>;
  restore: (number: number) => Promise<void>;
  /** Loads again what the catalogue holds, after an import or a change to products. */
  reload: () => Promise<void>;
  /** Looks whether somebody changed the draft elsewhere. */
  refresh: () => Promise<void>;
}

const PERSON_KEY = "clever-shelf.person";
export const person = {
  get: () => localStorage.getItem(PERSON_KEY) ?? "Merchandiser",
  set: (name: string) => localStorage.setItem(PERSON_KEY, name),
};
const headers = () => ({ "x-person": encodeURIComponent(person.get()) });
const base = (store: string) => `/api/stores/${encodeURIComponent(store)}`;

/** Edits go to the server one after the other, so that each knows the revision it is made at. */
let queue: Promise<unknown> = Promise.resolve();
let isIdle = true;

export const useBench = create<BenchState>()((set, get) => {
  const opened = (): Open => {
    const { open } = get();
    if (!open) throw new Error("No store is open.");
    return open;
  };
  const patchOpen = (part: Partial<Open>) =>
    set(({ open }) => {
      if (!open) return {};
      const next = { ...open, ...part };
      return { open: part.settings || part.live ? withChanges(next) : next };
    });
  const say = (error: unknown) =>
    toast.error(error instanceof HttpError ? error.message : "Something went wrong in this page. Load it again.");

  const searchAt = (revision: number, settings: Settings) => {
    void useWindow.getState().search(shopState({ ...opened(), revision, settings }));
  };

  async function loadDraft(id: string): Promise<Pick<Open, "revision" | "settings" | "live" | "release" | "canUndo" | "canRedo">> {
    const [draft, changes] = await Promise.all([
      call<{ revision: number; settings: Settings }>(`${base(id)}/draft`),
      call<Changes>(`${base(id)}/draft/changes`),
    ]);
    const live = jsonPatch.applyPatch(structuredClone(draft.settings), changes.inverse).newDocument;
    return {
      revision: draft.revision,
      settings: draft.settings,
      live,
      release: changes.since,
      canUndo: changes.canUndo,
      canRedo: changes.canRedo,
    };
  }

  /** Runs after all that was asked before, and says what went wrong. */
  const inTurn = (work: () => Promise<void>): Promise<void> => {
    const turn = isIdle ? work() : queue.then(work);
    isIdle = false;
    const next = turn.catch(async (error) => {
      say(error);
      const { open } = get();
      if (open) patchOpen(await loadDraft(open.store.id).catch(() => ({})));
    });
    queue = next;
    void next.finally(() => {
      if (queue === next) isIdle = true;
    });
    return next;
  };

  const step = (which: "undo" | "redo") =>
    inTurn(async () => {
      const { store } = opened();
      await call(`${base(store.id)}/draft/${which}`, { method: "POST", headers: headers() });
      patchOpen(await loadDraft(store.id));
    });

  return {
    stores: null,
    open: null,
    failure: null,
    async loadStores() {
      await call<StoreInfo[]>("/api/stores").then(
        (stores) => set({ stores, failure: null }),
        (error: HttpError) => set({ failure: error.message }),
      );
    },
    async openStore(id) {
      try {
        const [stores, front, fields, draft, releases] = await Promise.all([
          call<StoreInfo[]>("/api/stores"),
          call<Front>(`${base(id)}/front`),
          call<FieldInfo[]>(`${base(id)}/fields`),
          loadDraft(id),
          call<ReleaseInfo[]>(`${base(id)}/releases`),
        ]);
        const store = stores.find((entry) => entry.id === id);
        if (!store) throw new HttpError(404, `There is no store “${id}”.`);
        set({ stores, failure: null, open: withChanges({ store, front, liveFront: front, fields, releases, changes: [], ...draft }) });
      } catch (error) {
        set({ failure: error instanceof HttpError ? error.message : "The store could not be opened." });
      }
    },
    edit(patch) {
      // What changes nothing is no edit.
      if (patch.length === 0) return Promise.resolve();
      const before = opened();
      const settings = applyHere(before.settings, patch);
      // Sent first and shown after: the answer is on its way while the page draws.
      const sent = inTurn(async () => {
        const { store, revision } = opened();
        const made = call<{ revision: number }>(`${base(store.id)}/draft`, {
          method: "PATCH",
          body: patch,
          type: "application/json-patch+json",
          headers: { ...headers(), "if-match": `"${revision}"` },
        });
        // The window asks beside the edit, for the revision that it makes when nobody else makes one.
        searchAt(revision + 1, settings);
        const answer = await made;
        searchAt(answer.revision, settings);
        patchOpen({ revision: answer.revision, canUndo: true, canRedo: false });
      });
      patchOpen({ settings });
      return sent;
    },
    undo: () => step("undo"),
    redo: () => step("redo"),
    releaseDraft: (note) =>
      inTurn(async () => {
        const { store } = opened();
        const made = await call<ReleaseInfo>(`${base(store.id)}/releases`, { body: { note }, headers: headers() });
        patchOpen({ ...(await loadDraft(store.id)), releases: [made, ...opened().releases] });
        toast.success(`Release ${made.number} is live.`);
      }),
    restore: (number) =>
      inTurn(async () => {
        const { store } = opened();
        const made = await call<ReleaseInfo>(`${base(store.id)}/releases/${number}/restore`, { method: "POST", headers: headers() });
        patchOpen({ ...(await loadDraft(store.id)), releases: [made, ...opened().releases] });
        toast.success(`The shop is as it was at release ${number}. Your draft is untouched.`);
      }),
    async reload() {
      const { store } = opened();
      useWindow.getState().forget();
      await get().openStore(store.id);
      const { revision, settings } = opened();
      searchAt(revision, settings);
    },
    refresh: () =>
      inTurn(async () => {
        const { store, revision, release } = opened();
        const stores = await call<StoreInfo[]>("/api/stores");
        const now = stores.find((entry) => entry.id === store.id);
        if (now && (now.revision !== revision || now.release !== release)) {
          const releases = await call<ReleaseInfo[]>(`${base(store.id)}/releases`);
          patchOpen({ ...(await loadDraft(store.id)), releases });
        }
      }),
  };
});

/** The settings with a patch applied; whatever the patch does not touch stays the same object, so that nothing draws itself anew in vain. */
function applyHere(settings: Settings, patch: readonly Operation[]): Settings {
  const next = { ...settings };
  const copied = new Set<string>();
  for (const operation of patch) {
    copyAlong(next, operation.path, copied);
    jsonPatch.applyOperation(next, structuredClone(operation) as PatchOperation);
  }
  return next;
}

/** Replaces every object on the way to a path by a copy, each once. */
function copyAlong(document: object, path: string, copied: Set<string>): void {
  let holder = document as Record<string, unknown>;
  let place = "";
  for (const part of path.split("/").slice(1, -1)) {
    const key = jsonPatch.unescapePathComponent(part);
    const inner = holder[key];
    if (typeof inner !== "object" || inner === null) return;
    place += `/${part}`;
    if (!copied.has(place)) {
      copied.add(place);
      holder[key] = Array.isArray(inner) ? [...inner] : { ...inner };
    }
    holder = holder[key] as Record<string, unknown>;
  }
}

/** What the shopper window asks about. */
export function shopState({
  store,
  revision,
  release,
  front,
  settings,
  live,
}: Omit<Open, "liveFront" | "fields" | "canUndo" | "canRedo" | "changes" | "releases">): ShopState {
  const asking = (state: Settings) => {
    const shop = frontAt(front, store, state);
    return { fields: cardFields(shop), chosen: shop.chosen, language: shop.language, page: shop.page };
  };
  return { store: store.id, revision, release, draft: asking(settings), live: asking(live) };
}

/** What the shop would know of itself with some settings. */
export function frontAt(front: Front, store: StoreInfo, settings: Settings): Front {
  return { ...front, ...frontOfSettings(settings, store.locale, front.language) };
}

function withChanges(open: Open): Open {
  const labels = new Map(open.fields.map((field) => [field.key, field.label]));
  // What the shop is told of filters and layout follows the draft at once, too.
  return {
    ...open,
    front: sharing(open.front, frontAt(open.front, open.store, open.settings)),
    liveFront: sharing(open.liveFront, frontAt(open.front, open.store, open.live)),
    changes: describeChanges(open.live, open.settings, (key) => labels.get(key) ?? key),
  };
}

export const useBenchParts = partsOf(useBench);

/** Parts of what is open, by name; only for components below the frame, which waits for it. */
export function useOpen<K extends keyof Open>(...keys: K[]): Pick<Open, K> {
  return useBench(
    useShallow(({ open }) => {
      if (!open) throw new Error("No store is open.");
      return pick(open, keys);
    }),
  );
}
