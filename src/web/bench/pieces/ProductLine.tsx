import type { ProductFacts } from "@contract/products";
import type { ReactNode } from "react";

interface Props {
  id: string;
  /** What is known of it; undefined until it is. */
  product: ProductFacts | undefined;
  /** What comes before it. */
  lead?: ReactNode;
  note: string;
  isBad?: boolean;
  children?: ReactNode;
}

/** A product in a list, with a line of facts under its name. */
export function ProductLine({ id, product, lead, note, isBad = false, children }: Props) {
  return (
    <li className="flex min-h-11 items-center gap-3 border-b border-rule py-1.5">
      {lead}
      <span className="size-9 shrink-0 overflow-hidden rounded-[3px] bg-raised">
        {product?.picture && <img src={product.picture} alt="" className="size-full object-cover" />}
      </span>
      <div className="min-w-0 flex-1">
        <p className="truncate font-semibold">{product?.title ?? id}</p>
        <p className={`truncate text-[12.5px]/4 ${isBad || product?.isGone ? "text-loss" : "text-soft"}`}>
          {product?.isGone ? "no longer in the catalogue" : note}
        </p>
      </div>
      {children}
    </li>
  );
}
