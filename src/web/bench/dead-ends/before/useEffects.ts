import type { StrictnessEffect } from "@core/measure/strictness";
import { useAnswer } from "../../pieces/useAnswer";

export interface Effects {
  /** How often searches were asked that not every product answers in full, and those that find nothing at all now. */
  asked: number;
  nothing: number;
  effects: StrictnessEffect[];
}

/** What each way to take a search would do to the searches of the log; null until it is known. */
export const useStrictnessEffects = (): Effects | null => useAnswer<Effects>("strictness");
