import { ask } from "@ui/http";
import { asPerson } from "../state/person";

/** What has to be known of a store before its bench can be shown. */
async function askFor(store: string) {
  const of = { params: { store } };
  const [stores, front, fields, draft, changes, releases] = await Promise.all([
    ask("GET /api/stores", {}),
    ask("GET /api/stores/{store}/front", of),
    ask("GET /api/stores/{store}/fields", of),
    ask("GET /api/stores/{store}/draft", of),
    ask("GET /api/stores/{store}/draft/changes", { ...of, headers: asPerson() }),
    ask("GET /api/stores/{store}/releases", of),
  ]);
  return { stores, front, fields, draft, changes, releases };
}
export type Opening = Awaited<ReturnType<typeof askFor>>;

let ahead: { store: string; answers: Promise<Opening> } | null = null;

/** Asks while the page is still being loaded, so that both come at once. @param pathname "/bench/<store>/…" */
export function askAhead(pathname: string): void {
  const store = /^\/bench\/([\w-]+)/.exec(pathname)?.[1];
  if (!store || store === "new") return;
  const answers = askFor(store);
  // Whoever takes the answers is told what went wrong.
  answers.catch(() => undefined);
  ahead = { store, answers };
}

/** Asks, unless that was done ahead; what was asked ahead is taken once. */
export function askForOpening(store: string): Promise<Opening> {
  const taken = ahead?.store === store ? ahead.answers : askFor(store);
  ahead = null;
  return taken;
}
