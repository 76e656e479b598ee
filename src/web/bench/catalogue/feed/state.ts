import type { FieldRole } from "@core/catalogue/types";
import type { GroupingProposal, GroupingWay } from "@core/feed/group-options";
import type { ColumnMapping, Mapping } from "@core/feed/mapping";
import type { ProblemKind } from "@core/feed/problems";
import { call, HttpError, upload } from "@ui/http";
import { toast } from "sonner";
import { create } from "zustand";
import { useBench } from "../../state/bench";

export interface ChangeSample {
  id: string;
  title: string;
  fields: { label: string; role: FieldRole; before: string; after: string }[];
}

/** What an import found out about its file, or did. */
export interface Report {
  file?: string;
  rows: number;
  products: number;
  added: number;
  changed: number;
  removed: number;
  format: string;
  encoding: string;
  mapping: Mapping;
  samples: Record<string, string[]>;
  kinds: Partial<Record<ProblemKind, number>>;
  changes: Record<"added" | "changed" | "removed", ChangeSample[]>;
  groupings: GroupingProposal[];
  dry: boolean;
  mode: "replace" | "merge";
}

export interface Job {
  id: string;
  kind: string;
  state: "waiting" | "running" | "done" | "failed" | "cancelled";
  done: number;
  total: number;
  message: string;
  problemCount: number;
  problems?: { line: number; field: string; message: string }[];
  result: Partial<Report> | null;
  createdAt: string;
}

export interface Memory {
  grouping: GroupingWay[];
  apart: string[];
  mostRemoved: number;
  mostBad: number;
}

interface FeedState {
  store: string | null;
  jobs: Job[] | null;
  memory: Memory | null;
  /** Share of the file that is sent, while it is being sent. */
  sent: number | null;
  failure: string | null;
  /** Changes to the reading of columns that were not tried yet. */
  wishes: Record<string, Partial<ColumnMapping>>;
  load: (store: string) => Promise<void>;
  send: (file: File) => Promise<void>;
  again: (how: { dry: boolean; mode: "replace" | "merge"; options?: GroupingWay[] }) => Promise<void>;
  wish: (column: string, part: Partial<ColumnMapping>) => void;
  forget: () => void;
  confirm: (job: string) => Promise<void>;
  cancel: (job: string) => Promise<void>;
  remember: (part: Partial<Memory>) => Promise<void>;
}

const POLL_EVERY = 250;

export const useFeed = create<FeedState>()((set, get) => {
  const base = () => `/api/stores/${encodeURIComponent(get().store ?? "")}`;
  const fail = (error: unknown) =>
    set({ failure: error instanceof HttpError ? error.message : "The server does not answer. Is it running?" });

  /** Looks again as long as a job is under way; when one ends, the bench learns what the catalogue now holds. */
  async function follow(): Promise<void> {
    const { store } = get();
    for (;;) {
      const jobs = await call<Job[]>(`${base()}/jobs`);
      if (get().store !== store) return;
      const [latest] = jobs;
      if (latest && latest.problemCount > 0 && latest.state !== "running") {
        latest.problems = (await call<Job>(`/api/jobs/${latest.id}`)).problems;
      }
      const wasRunning = get().jobs?.some((job) => job.id === latest?.id && job.state === "running") ?? false;
      set({ jobs });
      if (latest?.state !== "running") {
        if (wasRunning && latest?.state === "done" && !latest.result?.dry) {
          await useBench.getState().reload();
        }
        return;
      }
      await new Promise((done) => setTimeout(done, POLL_EVERY));
    }
  }

  return {
    store: null,
    jobs: null,
    memory: null,
    sent: null,
    failure: null,
    wishes: {},
    async load(store) {
      if (get().store !== store) set({ store, jobs: null, memory: null, failure: null, wishes: {} });
      try {
        set({ memory: await call<Memory>(`${base()}/feed/memory`) });
        await follow();
      } catch (error) {
        fail(error);
      }
    },
    async send(file) {
      set({ sent: 0, failure: null, wishes: {} });
      try {
        await upload(`${base()}/feed?dry=true&name=${encodeURIComponent(file.name)}`, file, (sent) => set({ sent }));
        set({ sent: null });
        await follow();
      } catch (error) {
        set({ sent: null });
        fail(error);
      }
    },
    async again({ dry, mode, options }) {
      set({ failure: null });
      const looked = get().jobs?.find((job) => job.result?.mapping)?.result;
      const map = { ...setByHand(looked?.mapping ?? {}), ...get().wishes };
      try {
        await call(`${base()}/feed/again`, { body: { dry, mode, options, map, name: looked?.file } });
        set({ wishes: {} });
        if (options) set(({ memory }) => ({ memory: memory && { ...memory, grouping: options } }));
        await follow();
      } catch (error) {
        fail(error);
      }
    },
    wish: (column, part) => set(({ wishes }) => ({ wishes: { ...wishes, [column]: { ...wishes[column], ...part } } })),
    forget: () => set({ wishes: {} }),
    async confirm(job) {
      await call(`/api/jobs/${job}/confirm`, { method: "POST" }).then(follow, fail);
    },
    async cancel(job) {
      await call(`/api/jobs/${job}`, { method: "DELETE" }).then(follow, fail);
      toast("Cancelled. The catalogue is as it was.");
    },
    async remember(part) {
      await call<Memory>(`${base()}/feed/memory`, { method: "PATCH", body: part }).then((memory) => set({ memory }), fail);
    },
  };
});

/** What was said by hand of the columns before, which the next reading is told again. */
function setByHand(mapping: Mapping): Record<string, Partial<ColumnMapping>> {
  return Object.fromEntries(Object.entries(mapping).filter(([, entry]) => entry.reason === "Set by hand"));
}

/** The mapping of a report with the wishes that were not tried yet. */
export function wished(mapping: Mapping, wishes: FeedState["wishes"]): Mapping {
  return Object.fromEntries(Object.entries(mapping).map(([column, entry]) => [column, { ...entry, ...wishes[column] }]));
}
