import { decimal } from "@ui/format";
import { amountOf, noneText, noteText, sayPrice } from "../../prices";
import { useTexts } from "../../texts";
import type { PropsOf } from "../CardPartView";

/** What a product costs: reduced or not, from, for an amount of it; or what is said where it has no price. */
export function Price({ part, front, fields, choice }: PropsOf<"price">) {
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
  const isFrom = part.from && !choice && typeof options === "number" && options > 1 && before === null;
  const per = part.per && perAmount(now, fields[part.per.field], part.per.amount);
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

/** What an amount of a product costs, by what is in it; null where that is not known. */
export function perAmount(price: number, content: unknown, amount: number): number | null {
  return typeof content === "number" && content > 0 ? (price / content) * amount : null;
}

const sayUnit = (amount: number, unit: string, language: string) => (amount === 1 ? unit : `${decimal(amount, 2, language)} ${unit}`);
