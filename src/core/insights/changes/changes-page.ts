import { lookUp } from "../../records";
import { type Change, isSame, sayMembers } from "../../settings/differences";
import { type MessageId, usualText } from "../../settings/message-texts";
import type { Settings } from "../../settings/schema";

const PAGE_NAMES: Partial<Record<keyof Settings["page"], string>> = {
  filters: "Place of the filters",
  mostBadges: "Most badges on a product",
  layout: "Layout of results",
  layouts: "Layout in categories",
  start: "Before anything is searched",
  firstSort: "First order",
  prices: "How prices are shown",
  theme: "Look of the shop",
  content: "Kinds of content",
};
const PAGE_ENTRIES = { cards: "Card", badges: "Badge", blocks: "Block", sorts: "Sort option" } as const;

/** What changed of the shop page: each card, badge, block and sort option for itself. */
export function pageChanges({ page: before }: Settings, { page: after }: Settings): Change[] {
  if (before === after) return [];
  const wholes = (Object.keys(PAGE_NAMES) as (keyof Settings["page"])[]).filter((key) => !isSame(before[key], after[key]));
  const entries = (Object.keys(PAGE_ENTRIES) as (keyof typeof PAGE_ENTRIES)[]).flatMap((key) => {
    const [old, now]: Record<string, unknown>[] = [before[key], after[key]];
    const ids = [...new Set([...Object.keys(old), ...Object.keys(now)])].filter((id) => !isSame(lookUp(old, id), lookUp(now, id)));
    return ids.map((id): Change => {
      const kind = lookUp(old, id) === undefined ? "added" : lookUp(now, id) === undefined ? "removed" : "changed";
      const text = kind === "changed" ? sayMembers(lookUp(old, id), lookUp(now, id)) : kind;
      return {
        part: "page",
        id: `${key}/${id}`,
        kind,
        subject: `${PAGE_ENTRIES[key]} “${nameOf(lookUp(now, id) ?? lookUp(old, id), id)}”`,
        text,
      };
    });
  });
  return [
    ...wholes.map(
      (key): Change => ({
        part: "page",
        id: key,
        kind: "changed",
        subject: PAGE_NAMES[key] ?? key,
        text: sayMembers(before[key], after[key]),
      }),
    ),
    ...entries,
  ];
}

function nameOf(entry: unknown, id: string): string {
  const { name, title, label } = entry as { name?: string; title?: Record<string, string>; label?: Record<string, string> };
  return name ?? Object.values(title ?? label ?? {})[0] ?? id;
}

/** Messages that are written anew, or as usual again. */
export function messageChanges({ messages: before }: Settings, { messages: after }: Settings): Change[] {
  if (before === after) return [];
  const languages = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...languages].flatMap((language) => {
    const [old, now] = [lookUp(before, language) ?? {}, lookUp(after, language) ?? {}];
    const ids = [...new Set([...Object.keys(old), ...Object.keys(now)])] as MessageId[];
    return ids
      .filter((id) => old[id] !== now[id])
      .map(
        (id): Change => ({
          part: "messages",
          id: `${language}/${id}`,
          kind: "changed",
          subject: `Message “${now[id] ?? usualText(id, language)}”`,
          text: now[id] === undefined ? "as usual again" : "in own words",
        }),
      );
  });
}
