import type { Colleague, News } from "@contract/colleagues";
import { describeChanges } from "@core/insights/changes/changes";
import { addressOf, ask } from "@ui/http";
import { toast } from "@ui/toast";
import { useEffect } from "react";
import { create } from "zustand";
import { labelsOf, useBench } from "./bench";
import { person, usePerson } from "./person";

/** What tells this page from others of the same person. */
const TAB = Math.random().toString(36).slice(2);

/** Who else has this store open, as the server says. */
export const useColleagues = create<{ others: Colleague[] }>()(() => ({ others: [] }));

/**
 * Listens to what others do while the page is in sight, and says where one is oneself. A page out of sight lets its connection go, since
 * a browser has only a few of them; it looks again when it is seen.
 * @param where the address within the bench.
 */
export function useNews(store: string, where: string): void {
  const name = usePerson((state) => state.name);
  // First, so that whoever begins to listen says where they are.
  useEffect(() => {
    here = { name, where };
    tellWhere(store);
  }, [store, name, where]);
  useEffect(() => {
    let source: EventSource | null = null;
    const listen = () => {
      if (document.hidden === (source === null)) return;
      source?.close();
      source = document.hidden ? null : hear(store);
      if (document.hidden) useColleagues.setState({ others: [] });
    };
    listen();
    document.addEventListener("visibilitychange", listen);
    return () => {
      document.removeEventListener("visibilitychange", listen);
      source?.close();
    };
  }, [store]);
}

let here = { name: "", where: "" };

/** Says where one is; whoever does not listen yet says it by listening. */
function tellWhere(store: string): void {
  void ask("PUT /api/stores/{store}/people/{tab}", { params: { store, tab: TAB }, body: here }).catch(() => undefined);
}

function hear(store: string): EventSource {
  const source = new EventSource(addressOf("GET /api/stores/{store}/news", { store }, { tab: TAB, ...here }));
  const on = <K extends keyof News>(event: K, take: (news: News[K]) => void) =>
    source.addEventListener(event, ({ data }) => take(JSON.parse(data) as News[K]));
  on("draft", (news) => void follow(news));
  on("people", (people) => {
    useColleagues.setState({ others: people.filter(({ tab }) => tab !== TAB) });
    // A connection that was cut comes back with what was said when it was first made.
    const self = people.find(({ tab }) => tab === TAB);
    if (self && (self.where !== here.where || self.name !== here.name)) tellWhere(store);
  });
  return source;
}

/** Takes over what somebody else changed, and says it. */
async function follow(news: News["draft"]): Promise<void> {
  const before = useBench.getState().open;
  await useBench.getState().refresh(news);
  const { open } = useBench.getState();
  if (!before || !open || before.store.id !== open.store.id || news.by === null || news.by === person()) return;
  const [first, ...more] = describeChanges(before.settings, open.settings, labelsOf(open.fields));
  if (first)
    toast(`${news.by}: ${first.subject} ${first.text}${more.length > 0 ? `, and ${more.length} more` : ""}`, { id: `by ${news.by}` });
}
