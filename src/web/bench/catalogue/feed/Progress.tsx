import type { JobInList } from "@contract/feed";
import { Button } from "@ui/Button";
import { count } from "@ui/format";
import { useFeed } from "./state";

/** How far the file is: sent, read, indexed. */
export function Progress({ job, sent }: { job: JobInList | null; sent: number | null }) {
  const cancel = useFeed((state) => state.cancel);
  const share = sent ?? (job && job.total > 0 ? job.done / job.total : null);
  return (
    <div role="status" className="rounded border border-rule bg-raised px-4 py-3">
      <div className="flex items-center gap-3">
        <span className="flex-1 font-semibold">
          {sent === null ? job?.message : "Sending the file"} …
          {job && job.total > 0 && <span className="ml-2 font-normal text-soft">{`${count(job.done)} of ${count(job.total)}`}</span>}
        </span>
        {job && <Button onClick={() => void cancel(job.id)}>Cancel</Button>}
      </div>
      <div className="mt-2 h-[3px] overflow-hidden bg-rule" aria-hidden>
        <div
          className={`h-full bg-press ${share === null ? "w-1/3 motion-safe:animate-pulse" : ""}`}
          style={share === null ? undefined : { width: `${Math.round(share * 100)}%` }}
        />
      </div>
    </div>
  );
}
