import type { FieldRole } from "@core/catalogue/types";
import type { GroupingProposal, GroupingWay } from "@core/feed/group-options";
import type { Mapping, Wish } from "@core/feed/mapping";
import type { ProblemKind } from "@core/feed/problems";
import type { Question } from "@core/feed/questions";
import type { Settings } from "@core/settings/schema";
import type { JobProblem } from "../db/jobs";
import type { Format } from "../feed/formats";

/** What the import is told to do. */
export interface ImportTask {
  upload: string;
  /** null: found out from the file. */
  format: Format | null;
  mode: "replace" | "merge";
  wishes: Record<string, Wish>;
  /** How columns were read before; wishes win over it. */
  remembered: Mapping;
  grouping: GroupingWay[];
  apart: string[];
  merged: string[][];
  dry: boolean;
  locale: string;
  /** File of the catalogue that is in use; null before the first. */
  current: string | null;
  /** File to write. */
  next: string;
  /** Number under which the index is saved. */
  number: number;
  /** File for the list of all problems. */
  problems: string;
  mostRemoved: number;
  mostBad: number;
  /** The catalogue is written already and was confirmed: only its index is missing. */
  resume: boolean;
}

/** A product that an import adds, changes or removes, for people to look at. */
export interface ChangeSample {
  id: string;
  title: string;
  /** Changed fields with what they were and are. */
  fields: { label: string; role: FieldRole; before: string; after: string }[];
}

/** What an import would do, or did. */
export interface ImportReport {
  rows: number;
  products: number;
  added: number;
  changed: number;
  removed: number;
  format: Format;
  encoding: string;
  mapping: Mapping;
  /** First values of each column, as the file has them. */
  samples: Record<string, string[]>;
  kinds: Partial<Record<ProblemKind, number>>;
  changes: { added: ChangeSample[]; changed: ChangeSample[]; removed: ChangeSample[] };
  groupings: GroupingProposal[];
  questions: Question[];
  [key: string]: unknown;
}

export type ImportMessage =
  | { kind: "progress"; done: number; total: number; message: string }
  | { kind: "written"; report: ImportReport; problems: JobProblem[]; problemCount: number; removedShare: number; waits: boolean }
  | { kind: "indexed"; defaults: Settings }
  | { kind: "failed"; message: string; problems: JobProblem[]; problemCount: number };
