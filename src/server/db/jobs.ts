import type { Database } from "better-sqlite3";
import { readKeptJson } from "./kept-json";

/** A problem as the interface says it. */
export interface JobProblem {
  line: number;
  field: string;
  message: string;
}

export interface Job {
  id: string;
  store: string;
  kind: string;
  state: "waiting" | "running" | "done" | "failed" | "cancelled";
  done: number;
  total: number;
  message: string;
  problems: JobProblem[];
  problemCount: number;
  result: Record<string, unknown> | null;
  createdAt: string;
}

interface RawJob extends Omit<Job, "problems" | "problemCount" | "result" | "createdAt"> {
  problems: string;
  problem_count: number;
  result: string | null;
  created_at: string;
}

const COLUMNS = "id, store, kind, state, done, total, message, problems, problem_count, result, created_at";
const MOST_KEPT = 30;

/** Jobs that run longer than a request. */
export function jobsTable(db: Database) {
  const one = db.prepare<[string], RawJob>(`SELECT ${COLUMNS} FROM jobs WHERE id = ?`);
  const latest = db.prepare<[string], RawJob>(
    `SELECT ${COLUMNS} FROM jobs WHERE store = ? ORDER BY created_at DESC, rowid DESC LIMIT ${MOST_KEPT}`,
  );
  const trim = db.prepare(
    `DELETE FROM jobs WHERE store = ? AND id NOT IN (SELECT id FROM jobs WHERE store = ? ORDER BY created_at DESC, rowid DESC LIMIT ${MOST_KEPT})`,
  );
  const insert = db.prepare("INSERT INTO jobs (id, store, kind, state, created_at) VALUES (?, ?, ?, 'running', ?)");
  const update = db.prepare(
    "UPDATE jobs SET state = ?, done = ?, total = ?, message = ?, problems = ?, problem_count = ?, result = ? WHERE id = ?",
  );
  const interrupted = db.prepare(
    "UPDATE jobs SET state = 'failed', message = 'The server stopped before the job was done. The former catalogue is untouched; send the file again.' WHERE state IN ('running', 'waiting')",
  );
  const read = ({ problems, problem_count, result, created_at, ...rest }: RawJob): Job => ({
    ...rest,
    problems: readKeptJson<JobProblem[]>(problems, []),
    problemCount: problem_count,
    result: result === null ? null : readKeptJson<Record<string, unknown>>(result, {}),
    createdAt: created_at,
  });
  return {
    one: (id: string): Job | null => {
      const row = one.get(id);
      return row ? read(row) : null;
    },
    /** The latest jobs of a store, the newest first. */
    latest: (store: string): Job[] => latest.all(store).map(read),
    insert: (job: Job) => {
      insert.run(job.id, job.store, job.kind, job.createdAt);
      trim.run(job.store, job.store);
    },
    save: (job: Job) =>
      update.run(
        job.state,
        job.done,
        job.total,
        job.message,
        JSON.stringify(job.problems),
        job.problemCount,
        job.result === null ? null : JSON.stringify(job.result),
        job.id,
      ),
    failInterrupted: () => interrupted.run(),
  };
}
