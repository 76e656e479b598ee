import { useAnswer } from "../../pieces/useAnswer";

export interface OwnFacts {
  finds: number;
  redirect: string | null;
  corrected: boolean;
  shown: number;
  taken: number;
  lastAt: string | null;
}

const NONE = {};

/** What each search of the own list comes to by the draft, and how it fared. */
export const useOwnFacts = (): Readonly<Record<string, OwnFacts>> =>
  useAnswer<{ entries: Record<string, OwnFacts> }>("box/list")?.entries ?? NONE;
