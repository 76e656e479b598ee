import { noteTrouble } from "../operations/trouble";
import type { Engine } from "./engine";

const DAYS_KEPT = 30;
const LOOKED_EVERY = 3_600_000;

/** When a store that was removed goes with all it holds. */
export function goneAt(removedAt: string): string {
  const moment = new Date(removedAt);
  moment.setUTCDate(moment.getUTCDate() + DAYS_KEPT);
  return moment.toISOString();
}

/** Lets stores go that were removed long enough ago. @param now in milliseconds since 1970 UTC. */
export async function letGo(engine: Pick<Engine, "removed" | "remove">, now: number): Promise<void> {
  for (const { row, removedAt } of engine.removed()) {
    if (Date.parse(goneAt(removedAt)) > now) continue;
    await engine.remove(row.id).catch((error: unknown) => noteTrouble(`The removed store “${row.id}” is still there`, error));
  }
}

/** Does so from time to time. */
export function letGoFromTimeToTime(engine: Engine): void {
  const look = () => void letGo(engine, Date.now());
  setTimeout(look, 5_000).unref();
  setInterval(look, LOOKED_EVERY).unref();
}
