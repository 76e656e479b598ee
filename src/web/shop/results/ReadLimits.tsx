import type { SearchAnswer, ShopFront } from "@contract/search";
import { priceFactor } from "@core/storefront/price-factor";
import { price } from "@ui/format";
import type { Address, OnChange } from "../address";
import { sayEnds } from "../filters/labels";
import { useTexts } from "../texts";

interface Props {
  answer: SearchAnswer;
  front: ShopFront;
  address: Address;
  onChange: OnChange;
}

/** What was read of the words as a limit, each to be taken away: "under £10" is a limit, and not two words; so is "without thorns". */
export function ReadLimits({ answer, front, address, onChange }: Props) {
  const t = useTexts();
  const { read } = answer.query;
  if (!read || read.length === 0) return null;
  const factor = priceFactor(front.page.prices);
  const say = (amount: number) => price(amount * factor, front.language, front.currency).replace(/[.,]00(?=\D*$)/, "");
  return (
    <ul className="mb-2 flex flex-wrap gap-1.5" aria-label={t("results.read")}>
      {read.map(({ id, text, field, min, max, without }) => {
        // Words without an amount need one beside them.
        const isPlain = without ? field !== null : /\d/.test(text);
        const said = isPlain ? text : `${text}: ${without ? t("results.not-stated") : sayEnds({ min, max }, say, t)}`;
        return (
          <li key={id}>
            <button
              type="button"
              part="chip"
              onClick={() => onChange({ ...address, page: 1, ignore: [...address.ignore, id] })}
              aria-label={t("filters.remove", { text: said })}
              className="rounded-full border border-press bg-press-soft px-2 t-xs hover:line-through"
            >
              {said} <span aria-hidden>×</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** Says where those that answer everything end, when others fill up behind them. */
export function FilledUp({ answer, address }: Pick<Props, "answer" | "address">) {
  const t = useTexts();
  const { fullMatches = answer.total } = answer.query;
  const isAsked = Object.keys(address.filters).length === 0 && address.page === 1 && answer.outcome === "results";
  if (!isAsked || fullMatches === 0 || fullMatches >= answer.total) return null;
  return <p className="t-s mb-2 text-soft">{t("results.filled", { n: fullMatches })}</p>;
}
