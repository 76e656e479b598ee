/** How far work is that looks at one thing after the other. */
export interface Progress {
  /** How many it is through with, of how many. */
  done: number;
  of: number;
  what: "searches" | "products" | "fields";
}

/** Things one after the other, each with how far whoever looks at it is then; for `yield` between the steps of work. */
export function* counted<T>(things: readonly T[], what: Progress["what"]): Generator<[thing: T, progress: Progress]> {
  for (let i = 0; i < things.length; i++) yield [things[i], { done: i + 1, of: things.length, what }];
}

export const isProgress = (step: unknown): step is Progress => typeof step === "object" && step !== null && "done" in step && "of" in step;
