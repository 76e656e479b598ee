import { lookUp } from "@core/records";
import { decimal } from "@ui/format";
import { roleKey } from "../../client";
import { amountOf, noneText, noteText, sayPrice } from "../../prices";
import { useTexts } from "../../texts";
import type { PropsOf } from "../part-props";
import type { Shown } from "../product";

/** What a product costs: reduced or not, from, for an amount of it; or what is said where it has no price. */
export function Price({ part, product, front, fields, choice }: PropsOf<"price">) {
  const t = useTexts();
  const amount = amountOf(front, fields);
  if (!amount) {
    const none = noneText(front);
    return none === "" ? null : (
      <p part="price" className="t-m font-semibold">
        {none}
      </p>
    );
  }
  const { now, before } = amount;
  const note = noteText(front);
  const options = fields.options;
  const isFrom =
    part.from && !choice && before === null && costDifferently(product, typeof options === "number" ? options : 1, roleKey(front, "price"));
  const per = part.per && perAmount(now, lookUp(fields, part.per.field), part.per.amount);
  const field = part.per && front.fields.find(({ key }) => key === part.per?.field);
  return (
    <div part="price" className="t-m flex flex-wrap items-baseline gap-x-1.5">
      {isFrom && <span className="t-xs text-soft">{t("card.from")}</span>}
      <b part="price-now" className={before === null ? "" : "text-loss"}>
        {sayPrice(front, now)}
      </b>
      {before !== null && part.before && (
        <s part="price-before" className="t-s text-soft">
          {sayPrice(front, before)}
        </s>
      )}
      {note && <span className="t-xs text-soft">{note}</span>}
      {per !== null && part.per && field && (
        <span className="t-xs basis-full text-soft">
          {t("card.per", { price: sayPrice(front, per), unit: sayUnit(part.per.amount, field.unit ?? field.label, front.language) })}
        </span>
      )}
    </div>
  );
}

/** Whether options cost differently, as far as is known here. */
function costDifferently({ choices }: Shown, options: number, price: string | undefined): boolean {
  if (!choices || price === undefined) return options > 1;
  return new Set(choices.map(({ fields }) => lookUp(fields, price))).size > 1;
}

/** What an amount of a product costs, by what is in it; null where that is not known. */
function perAmount(price: number, content: unknown, amount: number): number | null {
  return typeof content === "number" && content > 0 ? (price / content) * amount : null;
}

const sayUnit = (amount: number, unit: string, language: string) => (amount === 1 ? unit : `${decimal(amount, 2, language)} ${unit}`);
