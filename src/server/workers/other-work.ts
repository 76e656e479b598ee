import type { BulkChange, BulkChanged } from "@contract/products";
import type { AnswerOf } from "@contract/route";
import type { AllRoutes } from "@contract/routes";
import type { FieldFacts } from "@core/index/facts";
import type { Index } from "@core/index/types";
import type { PatchOperation } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import type { EditTexts } from "../db/drafts";
import type { CatalogueChange } from "../engine/change-catalogue";
import type { Changes } from "./changes";

/** What workers do for the main thread beside answering requests, by name: what it takes, and what it comes to. */
export interface OtherWork {
  "fresh settings": { input: { store: string }; value: Settings };
  /** @param isNext whether it is about what the store is about to be. @param hasDraft whether its draft is searched here too. @param isDraft whether it is about the draft alone. */
  "make ready": { input: { store: string; isNext: boolean; hasDraft: boolean; isDraft: boolean }; value: null };
  /** @param index null for that of the store. The value is what changed in it. */
  "changed catalogue": { input: { store: string; index: Index | null; change: CatalogueChange }; value: Changes };
  /** What a patch makes of a draft: what changes in its settings, and the edit as it is kept. */
  "edited draft": {
    input: { store: string; patch: readonly PatchOperation[] };
    value: { changes: Changes; texts: EditTexts };
  };
  "facts of a field": { input: { store: string; key: string }; value: Omit<FieldFacts, "unit" | "perOption"> };
  log: { input: { store: string }; value: AnswerOf<AllRoutes["GET /api/stores/{store}/log"]> };
  "plan of a bulk change": {
    input: { store: string; change: BulkChange };
    value: { answer: Omit<BulkChanged, "revision">; patch: PatchOperation[] };
  };
}
