import type { JobInList } from "@contract/feed";
import { plural } from "@ui/format";
import { useEffect } from "react";
import { Failed } from "../../ask/Answered";
import { Screen, Section } from "../../frame/Screen";
import { DropZone } from "../../pieces/DropZone";
import { useOpen } from "../../state/bench";
import { FirstSteps } from "../../tour/FirstSteps";
import { Gone } from "./Gone";
import { JobList } from "./JobList";
import { Limits } from "./Limits";
import { Progress } from "./Progress";
import { ReportView } from "./ReportView";
import { useFeed } from "./state";
import { useJobs, useProblems } from "./useJobs";

/** Brings the catalogue in: a file, what its columns are, what it would change. */
export default function Feed() {
  const { store } = useOpen("store");
  const { begin, send, sent, failure } = useFeed();
  const { data: jobs, error, refetch } = useJobs();
  useEffect(() => begin(store.id), [store.id, begin]);
  const latest = jobs?.[0];
  const isBusy = sent !== null || latest?.state === "running";
  const withReport = jobs?.find((job) => job.result?.mapping);
  return (
    <Screen
      title="Feed"
      lead={
        store.products === 0
          ? "Import your products. Column names do not matter: what each column is gets worked out, and you look before anything happens."
          : `${plural(store.products, "product")} in use. A new file is looked at first; nothing changes until you say so.`
      }
    >
      <FirstSteps />
      {error && <Failed error={error} onRetry={() => void refetch()} />}
      {failure && (
        <p role="alert" className="mb-3 border-l-2 border-loss pl-3 text-loss">
          {failure}
        </p>
      )}
      {isBusy ? (
        <Progress job={sent === null ? (latest ?? null) : null} sent={sent} />
      ) : (
        <DropZone of="products" title="Drop a file here, or choose one" onFile={(file) => void send(file)}>
          CSV, TSV, JSON, JSON Lines, schema.org JSON-LD, RSS or Atom; plain or packed with gzip
        </DropZone>
      )}
      {!isBusy && latest && latest.state !== "done" && <Outcome job={latest} />}
      {!isBusy && withReport && <ReportView key={withReport.id} job={withReport} isLatest={withReport === latest} />}
      <Gone />
      {jobs && jobs.length > 1 && (
        <Section title="Earlier" note="the last thirty">
          <JobList jobs={jobs.slice(1)} />
        </Section>
      )}
      <Limits />
    </Screen>
  );
}

/** A job that did not come to its end, or waits for a yes. */
function Outcome({ job }: { job: JobInList }) {
  const { confirm, cancel } = useFeed();
  const problems = useProblems(job);
  const isWaiting = job.state === "waiting";
  return (
    <div role="alert" className={`mt-3 border-l-2 pl-3 ${isWaiting ? "border-draft-mark" : "border-loss"}`}>
      <p className={isWaiting ? "font-semibold text-draft" : "text-loss"}>{job.message}</p>
      {problems?.slice(0, 6).map((problem) => (
        <p key={`${problem.line}${problem.field}${problem.message}`} className="text-[12.5px] text-soft">
          Line {problem.line}
          {problem.field && `, ${problem.field}`}: {problem.message}
        </p>
      ))}
      {isWaiting && (
        <div className="mt-2 flex gap-2">
          <button
            type="button"
            onClick={() => void confirm(job.id)}
            className="h-7 rounded border border-press bg-press px-2.5 text-[13px] font-semibold text-on-press"
          >
            Remove them and go on
          </button>
          <button
            type="button"
            onClick={() => void cancel(job.id)}
            className="h-7 rounded border border-rule bg-raised px-2.5 text-[13px] font-semibold"
          >
            Leave the catalogue as it is
          </button>
        </div>
      )}
    </div>
  );
}
