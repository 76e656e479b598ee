import type { ExternalToast } from "sonner";

type Kind = "message" | "success" | "error" | "warning";

let isShown: () => void = () => undefined;
/** Settled when there is a place where messages appear. */
const place = new Promise<void>((done) => {
  isShown = done;
});
/** Told once messages have their place on the page. */
export const messagesAreShown = (): void => isShown();

/** Whoever wants to say something; what shows it is loaded when something is first said. */
const wanting = new Set<() => void>();
let isWanted = false;
/** Calls back as soon as something is to be said. */
export function whenSomethingIsSaid(then: () => void): () => void {
  if (isWanted) then();
  wanting.add(then);
  return () => void wanting.delete(then);
}

const say =
  (kind: Kind) =>
  (text: string, options?: ExternalToast): void => {
    isWanted = true;
    for (const then of wanting) then();
    Promise.all([import("sonner"), place]).then(
      ([{ toast: shown }]) => shown[kind](text, options),
      // Without a place for it there is nothing to say it with; the page works on.
      () => undefined,
    );
  };

/** Says something in passing, at the edge of the page. */
export const toast = Object.assign(say("message"), { success: say("success"), error: say("error"), warning: say("warning") });
