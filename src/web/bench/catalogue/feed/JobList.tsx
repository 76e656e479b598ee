import type { JobInList } from "@contract/feed";
import { count, moment } from "@ui/format";

const STATES: Record<JobInList["state"], string> = {
  waiting: "waits",
  running: "running",
  done: "",
  failed: "failed",
  cancelled: "cancelled",
};

/** What was brought in before, and what became of it. */
export function JobList({ jobs }: { jobs: JobInList[] }) {
  return (
    <ul className="border-t border-rule text-[13px]">
      {jobs.map((job) => (
        <li key={job.id} className="flex items-baseline gap-3 border-b border-rule py-1.5">
          <span className="w-[92px] shrink-0 text-soft">{moment(job.createdAt)}</span>
          <span className="min-w-0 flex-1 truncate" title={job.message}>
            <b className="font-semibold">{job.result?.file ?? "A file"}</b> <span className="text-soft">{sayJob(job)}</span>
          </span>
          {job.problemCount > 0 && <span className="text-soft">{count(job.problemCount)} problems</span>}
          {STATES[job.state] && <span className={job.state === "failed" ? "text-loss" : "text-soft"}>{STATES[job.state]}</span>}
        </li>
      ))}
    </ul>
  );
}

function sayJob({ state, result, message }: JobInList): string {
  if (state !== "done" || !result) return message;
  if (result.dry) return `looked at: ${count(result.rows ?? 0)} lines`;
  return `${count(result.products ?? 0)} products: ${count(result.added ?? 0)} added, ${count(result.changed ?? 0)} changed, ${count(result.removed ?? 0)} removed`;
}
