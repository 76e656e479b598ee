import { lookUp } from "@core/records";
import type { Card, CardPart, Cards } from "@core/settings/page/card";
import { USUAL_CARD, USUAL_CARD_ID } from "@core/settings/page/cards";
import { add, change, freeId, type PatchOperation, remove, set } from "@core/settings/patch";
import { rankAt, rankBehind } from "@core/settings/rank";
import { inRankOrder } from "@core/settings/ranked";
import type { Settings } from "@core/settings/schema";
import { useBench } from "../state/bench";

/** What is done to the shop page of the draft. What is promised is whether the server took it. */

type Page = Settings["page"];
type PageCollection = "cards" | "badges" | "blocks" | "sorts";
type Entry<C extends PageCollection> = Page[C][string];

const page = (): Page => {
  const { open } = useBench.getState();
  if (!open) throw new Error("No store is open.");
  return open.settings.page;
};
const pathOf = (collection: PageCollection, id: string) => ["page", collection, id] as const;
const send = (operations: PatchOperation[]) => useBench.getState().edit(operations);

/** Sets members of the page, such as its layout. */
export function setPage(part: Partial<Page>): void {
  void send(change(["page"], part));
}

export function setEntry<C extends PageCollection>(collection: C, id: string, value: Entry<C>): void {
  void send([add(pathOf(collection, id), value)]);
}

export function changeEntry<C extends PageCollection>(collection: C, id: string, part: Partial<Entry<C>>): Promise<boolean> {
  return send(change(pathOf(collection, id), part));
}

export function removeEntry(collection: PageCollection, id: string): void {
  void send([remove(pathOf(collection, id))]);
}

/** Adds an entry behind all others. @returns its id. */
export function addEntry<C extends PageCollection>(collection: C, wanted: string, value: Omit<Entry<C>, "rank">): string {
  const entries: Record<string, { rank: string }> = page()[collection];
  const id = freeId(entries, wanted);
  const rank = rankBehind(entries);
  void send([add(pathOf(collection, id), { ...value, rank } as unknown as Entry<C>)]);
  return id;
}

export function moveEntry(collection: PageCollection, id: string, place: number): void {
  void send([set(["page", collection, id, "rank"], rankAt(page()[collection], id, place))]);
}

/** The cards as they are edited: the usual one is there although nobody has changed it. */
export function editableCards(cards: Cards): [string, Card][] {
  const own = inRankOrder({ ...cards });
  const hasUsual = own.some(([, card]) => card.condition === null && card.on);
  return hasUsual ? own : [...own, [USUAL_CARD_ID, USUAL_CARD]];
}

/** Changes a card; the usual one is written down with the first change. */
export function changeCard(id: string, part: Partial<Card>): void {
  const { cards } = page();
  if (lookUp(cards, id)) changeEntry("cards", id, part);
  else {
    setEntry("cards", id, { ...USUAL_CARD, rank: rankBehind(cards), ...part });
  }
}

const partsOf = (id: string) => (lookUp(page().cards, id) ?? USUAL_CARD).parts;

export function changePart(card: string, part: string, value: CardPart): void {
  changeCard(card, { parts: { ...partsOf(card), [part]: value } });
}

export function removePart(card: string, part: string): void {
  const { [part]: _gone, ...others } = partsOf(card);
  changeCard(card, { parts: others });
}

export function addPart(card: string, value: Omit<CardPart, "rank">): string {
  const parts = partsOf(card);
  const id = freeId(parts, value.kind);
  const rank = rankBehind(parts);
  changeCard(card, { parts: { ...parts, [id]: { ...value, rank } as CardPart } });
  return id;
}

export function movePart(card: string, part: string, place: number): void {
  const parts = partsOf(card);
  changeCard(card, { parts: { ...parts, [part]: { ...lookUp(parts, part), rank: rankAt(parts, part, place) } } });
}
