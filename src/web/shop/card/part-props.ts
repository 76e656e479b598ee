import type { ShopFront } from "@contract/search";
import type { Choice } from "@core/search/request";
import type { CardPart } from "@core/settings/page/card";
import type { Shown } from "./product";

/** What every part of a card gets. */
export interface PartProps<P extends CardPart = CardPart> {
  part: P;
  product: Shown;
  front: ShopFront;
  /** The product's values with those of the chosen option laid over them. */
  fields: Readonly<Record<string, unknown>>;
  choice: Choice | null;
  to?: string;
  onOpen?: () => void;
  onChoose: (option: string | null) => void;
}

export type PropsOf<K extends CardPart["kind"]> = PartProps<Extract<CardPart, { kind: K }>>;
