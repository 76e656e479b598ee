import type { ChangeSample, ImportReport, JobInList } from "@contract/feed";
import { PROBLEM_KINDS, type ProblemKind } from "@core/feed/problems";
import { lookUp } from "@core/records";
import { Button } from "@ui/Button";
import { Segments } from "@ui/controls";
import { count, moment, plural } from "@ui/format";
import { useState } from "react";
import { Section } from "../../frame/Screen";
import { useSayText } from "../say-text";
import { Groupings } from "./Groupings";
import { MappingTable } from "./MappingTable";
import { Questions } from "./Questions";
import { useFeed } from "./state";
import { useProblems } from "./useJobs";

const FORMATS: Record<string, string> = {
  csv: "table",
  tsv: "table with tabs",
  json: "JSON",
  jsonl: "JSON Lines",
  jsonld: "JSON-LD",
  rss: "XML feed",
};
const ENCODINGS: Record<string, string> = { "utf-8": "UTF-8", "utf-16le": "UTF-16", "utf-16be": "UTF-16", "windows-1252": "Latin-1" };

/** What was found in a file: what it would change, what its columns are, what is wrong with it. */
export function ReportView({ job, isLatest }: { job: JobInList; isLatest: boolean }) {
  const { again, wishes, forget } = useFeed();
  const report = job.result as ImportReport;
  const [mode, setMode] = useState<ImportReport["mode"]>(report.mode);
  const isTrial = report.dry && isLatest;
  const edited = Object.keys(wishes).length;
  return (
    <>
      <div className="mt-4 border-y border-rule py-2.5">
        <div>
          <b className="font-semibold">{report.file ?? "The file"}</b>
          <span className="ml-2 text-[12.5px] text-soft">
            {lookUp(FORMATS, report.format) ?? report.format}, {lookUp(ENCODINGS, report.encoding) ?? report.encoding},{" "}
            {plural(report.rows, "line")}
            {!isTrial && `, ${moment(job.createdAt)}`}
          </span>
          <p role="status">
            {isTrial ? "Would add" : "Added"} <b className="font-semibold">{count(report.added)}</b>, {isTrial ? "change" : "changed"}{" "}
            <b className="font-semibold">{count(report.changed)}</b>, {isTrial ? "remove" : "removed"}{" "}
            <b className={report.removed > 0 ? "font-semibold text-loss" : "font-semibold"}>{count(report.removed)}</b> products
          </p>
        </div>
        <div className={`flex items-center justify-end gap-2 ${isTrial || edited > 0 ? "mt-2" : ""}`}>
          {isTrial && (
            <Segments
              label="What happens to products that the file does not have"
              value={mode}
              onChange={(next) => {
                setMode(next);
                void again(report, { dry: true, mode: next });
              }}
              options={[
                { value: "replace", label: "Replace all" },
                { value: "merge", label: "Merge in" },
              ]}
            />
          )}
          {edited > 0 ? (
            <>
              <Button look="bare" onClick={forget}>
                Reset
              </Button>
              <Button data-next-step look="main" onClick={() => void again(report, { dry: true, mode })}>
                Preview with {plural(edited, "change")}
              </Button>
            </>
          ) : (
            isTrial && (
              <Button data-next-step look="main" onClick={() => void again(report, { dry: false, mode })}>
                Import {plural(mode === "merge" ? report.added + report.changed : report.products, "product")}
              </Button>
            )
          )}
        </div>
      </div>
      {isTrial && <Questions report={report} />}
      {isTrial && <Changes changes={report.changes} />}
      <Groupings report={report} isTrial={isTrial} mode={mode} />
      <Problems job={job} kinds={report.kinds} />
      <Section title="Columns" note="what each one is, and why. Change what is wrong.">
        <MappingTable mapping={report.mapping} samples={report.samples} />
      </Section>
    </>
  );
}

function Changes({ changes }: { changes: ImportReport["changes"] }) {
  const kinds = (Object.entries(changes) as [keyof ImportReport["changes"], ChangeSample[]][]).filter(([, samples]) => samples.length > 0);
  const sayText = useSayText();
  if (kinds.length === 0) return null;
  return (
    <details className="mt-1 text-[13px]">
      <summary className="cursor-pointer py-1 font-semibold text-press">See some of them</summary>
      <ul className="border-t border-rule">
        {kinds.flatMap(([kind, samples]) =>
          samples.map((sample) => (
            <li key={kind + sample.id} className="border-b border-rule py-1">
              <span
                className={`mr-2 inline-block w-16 text-[12px] ${kind === "removed" ? "text-loss" : kind === "added" ? "text-gain" : "text-draft"}`}
              >
                {kind}
              </span>
              <b className="font-semibold">{sample.title}</b> <span className="text-[12px] text-soft">{sample.id}</span>
              {sample.fields.slice(0, 3).map((field) => (
                <p key={field.label} className="ml-[72px] truncate text-[12.5px] text-soft">
                  {field.label}: <s>{sayText(field.role, field.before, "empty")}</s> →{" "}
                  <span className="text-ink">{sayText(field.role, field.after, "empty")}</span>
                </p>
              ))}
            </li>
          )),
        )}
      </ul>
    </details>
  );
}

function Problems({ job, kinds }: { job: JobInList; kinds: ImportReport["kinds"] }) {
  const problems = useProblems(job);
  if (job.problemCount === 0) return null;
  const counted = (Object.entries(kinds) as [ProblemKind, number][]).sort(([, a], [, b]) => b - a);
  return (
    <Section
      title="Problems"
      note={
        <>
          {count(job.problemCount)} in all.{" "}
          <a href={`/api/jobs/${job.id}/problems.csv`} className="font-semibold text-press">
            Save the list
          </a>
        </>
      }
    >
      <ul className="border-t border-rule text-[13px]">
        {counted.map(([kind, number]) => (
          <li key={kind} className="flex gap-3 border-b border-rule py-1">
            <span className="w-14 text-right font-semibold tabular-nums">{count(number)}</span>
            <span>{PROBLEM_KINDS[kind]}</span>
          </li>
        ))}
      </ul>
      {problems && (
        <details className="text-[12.5px]">
          <summary className="cursor-pointer py-1 font-semibold text-press">See the first ones</summary>
          <ul className="text-soft">
            {problems.slice(0, 20).map((problem) => (
              <li key={`${problem.line}${problem.field}${problem.message}`}>
                Line {problem.line}
                {problem.field && `, ${problem.field}`}: {problem.message}
              </li>
            ))}
          </ul>
        </details>
      )}
    </Section>
  );
}
