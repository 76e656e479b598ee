import type { Problem } from "@core/catalogue/assemble";
import type { Database } from "better-sqlite3";

export interface Job {
  id: string;
  store: string;
  kind: string;
  state: "waiting" | "running" | "done" | "failed" | "cancelled";
  done: number;
  total: number;
  message: string;
  problems: Problem[];
  problemCount: number;
  result: Record<string, unknown> | null;
}

type RawJob = Omit<Job, "problems" | "problemCount" | "result"> & { problems: string; problem_count: number; result: string | null };

/** Jobs that run longer than a request. */
export function jobsTable(db: Database) {
  const one = db.prepare<[string], RawJob>(
    "SELECT id, store, kind, state, done, total, message, problems, problem_count, result FROM jobs WHERE id = ?",
  );
  const insert = db.prepare("INSERT INTO jobs (id, store, kind, state, created_at) VALUES (?, ?, ?, 'running', ?)");
  const update = db.prepare(
    "UPDATE jobs SET state = ?, done = ?, total = ?, message = ?, problems = ?, problem_count = ?, result = ? WHERE id = ?",
  );
  const interrupted = db.prepare(
    "UPDATE jobs SET state = 'failed', message = 'The server stopped before the job was done. The former catalogue is untouched; send the file again.' WHERE state IN ('running', 'waiting')",
  );
  return {
    one: (id: string): Job | null => {
      const row = one.get(id);
      if (!row) return null;
      const { problems, problem_count, result, ...rest } = row;
      return { ...rest, problems: JSON.parse(problems), problemCount: problem_count, result: result === null ? null : JSON.parse(result) };
    },
    insert: (id: string, store: string, kind: string) => insert.run(id, store, kind, new Date().toISOString()),
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
