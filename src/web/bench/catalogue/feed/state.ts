import type { FeedMemory, JobInList } from "@contract/feed";
import type { GroupingWay } from "@core/feed/group-options";
import type { ColumnMapping, Mapping } from "@core/feed/mapping";
import { lookUp } from "@core/records";
import { ask, sayError, sendFile } from "@ui/http";
import { toast } from "@ui/toast";
import { create } from "zustand";
import { askAnew } from "../../ask/client";
import { lookAgain } from "./useJobs";

interface FeedState {
  store: string | null;
  /** Share of the file that is sent, while it is being sent. */
  sent: number | null;
  failure: string | null;
  /** Changes to the reading of columns that were not tried yet. */
  wishes: Record<string, Partial<ColumnMapping>>;
  begin: (store: string) => void;
  send: (file: File) => Promise<void>;
  /** @param last what the last reading found. */
  again: (
    last: JobInList["result"] | undefined,
    how: { dry: boolean; mode: "replace" | "merge"; options?: GroupingWay[] },
  ) => Promise<void>;
  wish: (column: string, part: Partial<ColumnMapping>) => void;
  forget: () => void;
  confirm: (job: string) => Promise<void>;
  cancel: (job: string) => Promise<void>;
  remember: (part: Partial<Pick<FeedMemory, "apart" | "mostRemoved" | "mostBad">>) => Promise<void>;
}

const MEMORY = "GET /api/stores/{store}/feed/memory";

/** What is being done to the feed of the open store. */
export const useFeed = create<FeedState>()((set, get) => {
  const params = () => ({ store: get().store ?? "" });
  /** Does something, says why it failed, and looks at the jobs again. @returns whether it was done. */
  const tell = async (work: () => Promise<unknown>): Promise<boolean> => {
    set({ failure: null });
    try {
      await work();
      return true;
    } catch (error) {
      set({ failure: sayError(error, "The server does not answer. Is it running?") });
      return false;
    } finally {
      await lookAgain();
    }
  };
  return {
    store: null,
    sent: null,
    failure: null,
    wishes: {},
    begin(store) {
      if (get().store !== store) set({ store, sent: null, failure: null, wishes: {} });
    },
    async send(file) {
      set({ sent: 0, wishes: {} });
      await tell(() =>
        sendFile("POST /api/stores/{store}/feed", { params: params(), query: { dry: "true", name: file.name } }, file, (sent) =>
          set({ sent }),
        ),
      );
      set({ sent: null });
    },
    async again(last, { dry, mode, options }) {
      const map = { ...setByHand(last?.mapping ?? {}), ...get().wishes };
      const body = { dry, mode, options, map, name: last?.file };
      if (!(await tell(() => ask("POST /api/stores/{store}/feed/again", { params: params(), body })))) return;
      set({ wishes: {} });
      await askAnew(MEMORY);
    },
    wish: (column, part) => set(({ wishes }) => ({ wishes: { ...wishes, [column]: { ...lookUp(wishes, column), ...part } } })),
    forget: () => set({ wishes: {} }),
    async confirm(job) {
      await tell(() => ask("POST /api/jobs/{job}/confirm", { params: { job } }));
    },
    async cancel(job) {
      if (await tell(() => ask("DELETE /api/jobs/{job}", { params: { job } }))) toast("Cancelled. The catalogue is as it was.");
    },
    async remember(body) {
      await tell(() => ask("PATCH /api/stores/{store}/feed/memory", { params: params(), body }));
      await askAnew(MEMORY);
    },
  };
});

/** What was said by hand of the columns before, which the next reading is told again. */
function setByHand(mapping: Mapping): Record<string, Partial<ColumnMapping>> {
  return Object.fromEntries(Object.entries(mapping).filter(([, entry]) => entry.reason === "Set by hand"));
}

/** The mapping of a report with the wishes that were not tried yet. */
export function wished(mapping: Mapping, wishes: FeedState["wishes"]): Mapping {
  return Object.fromEntries(Object.entries(mapping).map(([column, entry]) => [column, { ...entry, ...lookUp(wishes, column) }]));
}
