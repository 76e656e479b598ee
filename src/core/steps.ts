/**
 * What work comes to that is done in steps, done at once. The same steps can be run with other things in between, by whoever must not
 * hold everything up.
 */
export function finish<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
