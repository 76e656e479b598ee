import { lookUp } from "@core/records";
import { GitCompareArrows, Heart, ShoppingBasket } from "lucide-react";
import { useState } from "react";
import { roleKey } from "../../client";
import { useKept } from "../../kept";
import { useTexts } from "../../texts";
import type { PropsOf } from "../part-props";

/** What a shopper can do with a product without leaving the results. */
export function Actions({ part, product, front, fields, choice }: PropsOf<"actions">) {
  const t = useTexts();
  const kept = useKept();
  const [amount, setAmount] = useState(1);
  const isSoldOut = lookUp(fields, roleKey(front, "stock") ?? "") === 0;
  const variant = choice?.id ?? product.variant;
  const inBasket = lookUp(kept.basket, product.id) !== undefined;
  const others = [
    { does: "remember", list: "remembered", Icon: Heart, name: t("card.remember") },
    { does: "compare", list: "compared", Icon: GitCompareArrows, name: t("card.compare") },
  ] as const;
  return (
    <div part="actions" className="relative z-10 mt-auto flex items-center gap-1 pt-1">
      {part.does.includes("basket") && (
        <>
          {part.amount && (
            <input
              type="number"
              part="amount"
              aria-label={`${t("card.amount")}: ${product.title}`}
              min={1}
              max={999}
              value={amount}
              onChange={(event) => setAmount(Math.max(1, Math.min(999, Math.round(Number(event.target.value)) || 1)))}
              className="t-s h-8 w-12 rounded-shop border border-rule bg-paper px-1"
            />
          )}
          <button
            type="button"
            part="basket-button"
            disabled={isSoldOut}
            aria-label={`${isSoldOut ? t("card.sold-out") : t("card.basket")}: ${product.title}`}
            onClick={() => kept.put({ product: product.id, variant, amount })}
            className="t-s flex h-8 min-w-0 flex-1 items-center justify-center gap-1 rounded-shop bg-press px-2 font-semibold text-on-press disabled:opacity-50"
          >
            <ShoppingBasket className="size-4 shrink-0" aria-hidden />
            <span className="truncate">{isSoldOut ? t("card.sold-out") : inBasket ? t("card.in-basket") : t("card.basket")}</span>
          </button>
        </>
      )}
      {others.map(
        ({ does, list, Icon, name }) =>
          part.does.includes(does) && (
            <button
              key={does}
              type="button"
              part={`${does}-button`}
              aria-pressed={kept[list].includes(product.id)}
              aria-label={`${name}: ${product.title}`}
              title={name}
              onClick={() => kept.toggle(list, product.id)}
              className="flex size-8 shrink-0 items-center justify-center rounded-shop border border-rule text-soft hover:text-press aria-pressed:border-press aria-pressed:bg-press-soft aria-pressed:text-press"
            >
              <Icon className="size-4" aria-hidden />
            </button>
          ),
      )}
    </div>
  );
}
