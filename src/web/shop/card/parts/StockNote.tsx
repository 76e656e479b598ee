import { lookUp } from "@core/records";
import { roleKey } from "../../client";
import { useTexts } from "../../texts";
import type { PropsOf } from "../part-props";

/** Whether it can be had: sold out, few left, or in stock where that is said too. */
export function StockNote({ part, front, fields }: PropsOf<"stock">) {
  const t = useTexts();
  const stock = lookUp(fields, roleKey(front, "stock") ?? "");
  const state = lookUp(fields, roleKey(front, "stockState") ?? "");
  if (stock === 0 && typeof state !== "string")
    return (
      <p part="stock" className="t-xs font-semibold text-loss">
        {t("card.sold-out")}
      </p>
    );
  if (typeof stock === "number" && stock > 0 && stock <= part.few)
    return (
      <p part="stock" className="t-xs font-semibold text-loss">
        {t("card.left", { n: stock })}
      </p>
    );
  const isThere = typeof stock === "number" && stock > 0;
  if (!part.always || (!isThere && typeof state !== "string")) return null;
  return (
    <p part="stock" className="t-xs text-gain">
      {isThere ? t("card.in-stock") : String(state)}
    </p>
  );
}
