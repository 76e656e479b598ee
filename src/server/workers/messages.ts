import type { AnswerState } from "@contract/search";
import type { Index } from "@core/index/types";
import type { Shown } from "@core/log/events";
import type { Progress } from "@core/progress";
import type { Settings } from "@core/settings/schema";
import type { Suggested } from "@core/suggest/request";
import type { StoreRow } from "../db/stores";
import type { Changes } from "./changes";

/** All that a worker knows of a store: its arrays lie in memory that threads share, the rest is a copy. */
export interface Told {
  row: StoreRow;
  catalogueNumber: number;
  index: Index;
  draft: { revision: number; settings: Settings };
  /** Settings are null before anything was released. */
  live: { release: number | null; revision: number; settings: Settings | null };
  /** Of what is known of shoppers, which each worker reads for itself. */
  logNumber: number;
}

/** What is asked of a worker. */
export interface Question {
  /** A route, such as "GET /api/stores/{store}/fields", or the name of other work. */
  name: string;
  input: unknown;
}

export type ToWorker =
  /** @param isOfNext whether the changes are those since what is about to be the store, which is it from now on. */
  | { kind: "tell"; store: string; changes: Changes; isOfNext: boolean }
  /** What a store is about to be, as changes since what it is. */
  | { kind: "next"; store: string; changes: Changes }
  | { kind: "forget"; store: string }
  | { kind: "ask"; id: number; question: Question }
  /** Who asked has left. */
  | { kind: "left"; id: number };

/** What is to be kept in the main thread of what a worker answered. */
export type Note = { kind: "shown"; searchId: string; shown: Shown } | { kind: "offered"; store: string; blocks: Suggested["blocks"] };

/** An answer to a shopper in the parts that are the same for whoever asks the same, and what is to be noted each time. */
export interface ShopAnswer {
  /** Its members as JSON, without those of the moment: `searchId`, `state`, `tookMs`. */
  rest: Uint8Array<ArrayBuffer>;
  state: AnswerState;
  tookMs: number;
  /** Until when it holds, in ms since 1970. */
  until: number;
  /** What a search showed; null where it was none. */
  shown: Shown | null;
  /** What was offered under the search box. */
  offered: Suggested["blocks"] | null;
}

/** An answer to a request as it is sent, or what other work came to. */
export type Answer =
  | { shop: ShopAnswer }
  | { status: number; headers: [string, string][]; body: Uint8Array<ArrayBuffer> | ReadableStream | null }
  | { value: unknown };

export type FromWorker =
  | { kind: "note"; note: Note }
  | { kind: "progress"; id: number; progress: Progress }
  | { kind: "answer"; id: number; answer: Answer }
  /** Refused in words. */
  | {
      kind: "problem";
      id: number;
      status: number;
      detail: string;
      errors: { path: string; message: string }[];
      headers: Record<string, string>;
    }
  /** A mistake of the program. */
  | { kind: "failed"; id: number; message: string; stack: string };

/** What a worker is started with. */
export interface WorkerTask {
  /** File of the main database. */
  database: string;
  logLevel: string;
  /** In ms. */
  slowSearch: number;
  /** How far its thread steps back behind those of the searches, from 0 to 19. */
  nice: number;
}
