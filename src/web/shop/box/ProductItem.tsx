import type { ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import type { LinePart, LinePicture } from "@core/settings/box/line";
import { inRankOrder } from "@core/settings/ranked";
import type { SuggestedItem } from "@core/suggest/request";
import { useEffect, useState } from "react";
import { CardPartView } from "../card/CardPartView";
import type { Shown } from "../card/product";
import { roleKey } from "../client";
import { Marked } from "./Marked";

type CardLike = Exclude<LinePart, LinePicture>;
const nothing = () => undefined;

/** One product: parts as the shop composed them, in a line, or as a tile where the column is wide enough. */
export function ProductItem({ item, front }: { item: SuggestedItem; front: ShopFront }) {
  const parts = inRankOrder(front.box.line.parts);
  const picture = parts.find((entry): entry is [string, LinePicture] => entry[1].kind === "picture")?.[1];
  const others = parts.filter((entry): entry is [string, CardLike] => entry[1].kind !== "picture");
  const fields = item.fields ?? {};
  const { id = "", variant = id } = item;
  const product: Shown = { id, title: item.text, variant, fields, ...(item.badges ? { badges: item.badges } : {}) };
  const view = ([id, part]: [string, CardLike]) =>
    part.kind === "title" ? (
      <span
        key={id}
        part="title"
        className="t-m overflow-hidden [display:-webkit-box] [-webkit-box-orient:vertical] @[460px]:t-s"
        style={{ WebkitLineClamp: part.lines }}
      >
        <Marked text={item.text} marks={part.marked ? (item.marks ?? []) : []} />
      </span>
    ) : (
      <CardPartView key={id} part={part} product={product} front={front} fields={fields} choice={null} onChoose={nothing} />
    );
  const isPrice = ([, part]: [string, CardLike]) => part.kind === "price";
  const address = lookUp(fields, roleKey(front, "picture") ?? "");
  return (
    <span className="flex w-full min-w-0 items-center gap-2.5 @[460px]:flex-col @[460px]:items-stretch @[460px]:gap-1.5">
      {picture && (
        <span
          className="shrink-0 overflow-hidden rounded-shop bg-raised @[460px]:aspect-square @[460px]:!size-auto @[460px]:w-full"
          style={{ width: picture.size, height: picture.size }}
        >
          {typeof address === "string" && <LatePicture address={address} fit={picture.fit} />}
        </span>
      )}
      {/* Where both do not fit beside each other, the price is under the name. */}
      <span className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2.5 @[460px]:flex-col @[460px]:items-stretch @[460px]:gap-1.5">
        <span className="flex min-w-0 flex-[1_1_130px] flex-col @[460px]:flex-none">
          {others.filter((entry) => !isPrice(entry)).map(view)}
        </span>
        <span className="flex min-w-0 flex-col items-end @[460px]:items-start">{others.filter(isPrice).map(view)}</span>
      </span>
    </span>
  );
}

/** How long a product is in the panel before its picture comes, in ms: while one types on, what comes and goes needs none. */
const PAUSE = 140;
/** Pictures come one after the other, this far apart, so that a letter typed meanwhile does not wait for all of them. */
const GAP = 25;
const MOST_GAPS = 8;
let last = 0;

function turn(): number {
  const now = performance.now();
  last = Math.min(Math.max(now + PAUSE, last + GAP), now + PAUSE + MOST_GAPS * GAP);
  return last - now;
}

function LatePicture({ address, fit }: { address: string; fit: LinePicture["fit"] }) {
  const [shown, setShown] = useState<string | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setShown(address), turn());
    return () => clearTimeout(timer);
  }, [address]);
  return shown === null ? null : (
    <img src={shown} alt="" decoding="async" className={`size-full ${fit === "fill" ? "object-cover" : "object-contain"}`} />
  );
}
