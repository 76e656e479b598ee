import type { Release } from "@contract/draft";
import type { Field } from "@contract/fields";
import type { ShopFront } from "@contract/search";
import type { Store } from "@contract/stores";
import { type Change, describeChanges } from "@core/insights/changes/changes";
import type { PatchOperation } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import { frontOfSettings } from "@core/storefront/front";
import { followLocale } from "@ui/format";
import { ask, HttpError, sayError } from "@ui/http";
import { reuseUnchanged } from "@ui/reuse";
import { toast } from "@ui/toast";
import jsonPatch, { type Operation as JsonOperation } from "fast-json-patch";
import { create } from "zustand";
import { useShallow } from "zustand/react/shallow";
import { cardFields } from "../../shop/client";
import { askAnew } from "../ask/client";
import { askForOpening, type Opening } from "../ask/opening";
import { applyPatch } from "../draft/apply-patch";
import { type Draft, EditQueue } from "../draft/edit-queue";
import { knowRules, lacksOwnRules, loadOwnRules, safeRules } from "./own-rules";
import { partsOf, pick } from "./parts";
import { asPerson } from "./person";
import { type ShopState, useWindow } from "./window";

interface Open extends Draft {
  store: Store;
  /** The shop as the draft has it, and as it is live. */
  front: ShopFront;
  liveFront: ShopFront;
  fields: Field[];
  /** How the draft differs from what is live. */
  changes: Change[];
  releases: Release[];
}

interface BenchState {
  stores: Store[] | null;
  open: Open | null;
  failure: string | null;
  loadStores: () => Promise<void>;
  openStore: (id: string) => Promise<void>;
  /** Changes the draft here at once and on the server after it. @returns whether the server took it; a refusal is put back and said. */
  edit: (patch: readonly PatchOperation[]) => Promise<boolean>;
  /** Takes back one's own last edit, or the one that led to a revision. @returns what that changed, in words; null where it was refused, which is said. */
  undo: (revision?: number) => Promise<Change[] | null>;
  redo: (revision?: number) => Promise<Change[] | null>;
  /** Reads the draft again, where somebody else works here now: what can be undone is theirs. */
  reread: () => Promise<void>;
  /** @returns whether the server has taken it. */
  releaseDraft: (note: string) => Promise<boolean>;
  /** Makes the shop as it was at a release. @param isDraftToo whether the draft goes back as well. */
  restore: (number: number, isDraftToo: boolean) => Promise<void>;
  /** Loads again what the catalogue holds, after an import or a change to products. */
  reload: () => Promise<void>;
  /** Looks whether somebody changed the draft elsewhere. @param told what is there now, where that is known. */
  refresh: (told?: { revision: number; release: number | null }) => Promise<void>;
}

let queue: EditQueue | null = null;

export const useBench = create<BenchState>()((set, get) => {
  const opened = (): Open => {
    const { open } = get();
    if (!open) throw new Error("No store is open.");
    return open;
  };
  const params = () => ({ store: opened().store.id });
  const edits = (): EditQueue => {
    if (!queue) throw new Error("No store is open.");
    return queue;
  };

  function makeQueue(store: string, draft: Draft): EditQueue {
    return new EditQueue(draft, {
      send: (body, revision) =>
        ask("PATCH /api/stores/{store}/draft", {
          params: { store },
          body: [...body],
          headers: { ...asPerson(), "if-match": `"${revision}"` },
        }),
      load: () => loadDraft(store),
      show(shown) {
        const draw = () => set(({ open }) => (open?.store.id === store ? { open: withChanges({ ...open, ...shown }) } : {}));
        draw();
        if (lacksOwnRules(shown.settings)) void loadOwnRules().then(draw);
      },
      // The window asks beside the edit, for the revision that it makes.
      look: (revision, settings) => void useWindow.getState().search(shopState({ ...opened(), revision, settings })),
      refuse: (error) => toast.error(sayError(error)),
    });
  }

  /** Does something to the draft that is no edit of this page. @returns what it changed, in words. */
  async function moved(work: () => Promise<{ inverse: PatchOperation[] }>): Promise<Change[] | null> {
    let done: { inverse: PatchOperation[] } | null = null;
    await edits().do(async () => {
      done = await work();
    });
    return done && changesOf(opened(), done);
  }

  return {
    stores: null,
    open: null,
    failure: null,
    async loadStores() {
      await ask("GET /api/stores", {}).then(
        (stores) => set({ stores, failure: null }),
        (error) => set({ failure: sayError(error) }),
      );
    },
    async openStore(id) {
      try {
        const { stores, front, fields, releases, ...told } = await askForOpening(id);
        const draft = draftOf(told.draft, told.changes);
        const store = stores.find((entry) => entry.id === id);
        if (!store) throw new HttpError(404, `There is no store “${id}”.`);
        knowRules(draft.settings.page.theme.css, front.css);
        if (lacksOwnRules(draft.settings, draft.live)) await loadOwnRules();
        followLocale(store.locale);
        queue = makeQueue(id, draft);
        const open = withChanges({ store, front, liveFront: front, fields, releases, changes: [], ...draft });
        // The window's search is on its way while the frame is drawn.
        void useWindow.getState().search(shopState(open));
        set({ stores, failure: null, open });
      } catch (error) {
        set({ failure: sayError(error, "The store could not be opened.") });
      }
    },
    edit: (patch) => edits().edit(patch),
    undo: (revision) =>
      moved(() => ask("POST /api/stores/{store}/draft/undo", { params: params(), query: { revision }, headers: asPerson() })),
    redo: (revision) =>
      moved(() => ask("POST /api/stores/{store}/draft/redo", { params: params(), query: { revision }, headers: asPerson() })),
    reread: () => edits().do(async () => undefined),
    async releaseDraft(note) {
      let isReleased = false;
      await edits().do(async () => {
        const reviewed = { ...asPerson(), "if-match": `"${opened().revision}"` };
        const made = await ask("POST /api/stores/{store}/releases", { params: params(), body: { note }, headers: reviewed });
        isReleased = true;
        set({ open: { ...opened(), releases: [made, ...opened().releases] } });
        toast.success(`Release ${made.number} is live.`);
      });
      return isReleased;
    },
    restore: (number, isDraftToo) =>
      edits().do(async () => {
        const made = await ask("POST /api/stores/{store}/releases/{n}/restore", {
          params: { ...params(), n: String(number) },
          query: { draft: isDraftToo ? "back" : "keep" },
          headers: asPerson(),
        });
        set({ open: { ...opened(), releases: [made, ...opened().releases] } });
        toast.success(`The shop is as it was at release ${number}. ${isDraftToo ? "So is the draft." : "Your draft is untouched."}`);
      }),
    async reload() {
      const { store } = opened();
      useWindow.getState().forget();
      await get().openStore(store.id);
      await askAnew();
      void useWindow.getState().search(shopState(opened()));
    },
    refresh: (told) =>
      edits().refresh(async ({ revision, release }) => {
        const now = told ?? (await ask("GET /api/stores", {})).find((entry) => entry.id === opened().store.id);
        const isNewer = now !== undefined && (now.revision > revision || now.release !== release);
        if (isNewer) set({ open: { ...opened(), releases: await ask("GET /api/stores/{store}/releases", { params: params() }) } });
        return isNewer;
      }),
  };
});

async function loadDraft(store: string): Promise<Draft> {
  const of = { params: { store } };
  const [draft, changes] = await Promise.all([
    ask("GET /api/stores/{store}/draft", of),
    ask("GET /api/stores/{store}/draft/changes", { ...of, headers: asPerson() }),
  ]);
  return draftOf(draft, changes);
}

function draftOf({ revision, settings }: Opening["draft"], changes: Opening["changes"]): Draft {
  const live = jsonPatch.applyPatch(structuredClone(settings), changes.inverse as JsonOperation[]).newDocument;
  return { revision, settings, live, release: changes.since, canUndo: changes.canUndo, canRedo: changes.canRedo };
}

/** What the shopper window asks about. */
export function shopState({
  store,
  revision,
  release,
  front,
  settings,
  live,
}: Pick<Open, "store" | "revision" | "release" | "front" | "settings" | "live">): ShopState {
  const asking = (state: Settings) => {
    const shop = frontAt(front, store, state);
    return { fields: cardFields(shop), chosen: shop.chosen, language: shop.language, page: shop.page };
  };
  return { store: store.id, revision, release, draft: asking(settings), live: asking(live) };
}

/** What the shop would know of itself with some settings. */
export function frontAt(front: ShopFront, store: Store, settings: Settings): ShopFront {
  return { ...front, ...frontOfSettings(settings, store.locale, front.language, safeRules) };
}

/** What an edit changed that led to the settings there are. */
function changesOf({ settings, fields }: Open, { inverse }: { inverse: PatchOperation[] }): Change[] {
  try {
    return describeChanges(applyPatch(settings, inverse), settings, labelsOf(fields));
  } catch {
    // Something later stands on it already.
    return [];
  }
}

/** The label of a field by its key. */
export function labelsOf(fields: readonly Field[]): (key: string) => string {
  const labels = new Map(fields.map(({ key, label }) => [key, label]));
  return (key) => labels.get(key) ?? key;
}

function withChanges(open: Open): Open {
  // What the shop is told of filters and layout follows the draft at once, too.
  return {
    ...open,
    front: reuseUnchanged(open.front, frontAt(open.front, open.store, open.settings)),
    liveFront: reuseUnchanged(open.liveFront, frontAt(open.front, open.store, open.live)),
    changes: describeChanges(open.live, open.settings, labelsOf(open.fields)),
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
