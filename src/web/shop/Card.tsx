import type { Hit, ProductCard } from "@core/search/request";
import { decimal, price as formatPrice } from "@ui/format";
import { Star } from "lucide-react";
import { Link } from "react-router";
import { type Front, roleKey } from "./client";
import { useTexts } from "./texts";

interface Props {
  product: Hit | ProductCard;
  front: Front;
  /** Where a click leads; none where the card is worked on. */
  to?: string;
  onOpen?: () => void;
  small?: boolean;
}

/** A product in a grid: picture, title, price, what shoppers think of it. A line that has nothing to say is not there. */
export function Card({ product, front, to, onOpen, small = false }: Props) {
  const value = (role: string) => product.fields[roleKey(front, role) ?? ""];
  const picture = value("picture");
  const rating = value("rating");
  const body = (
    <>
      <div className={`overflow-hidden rounded-[3px] bg-raised ${small ? "aspect-square" : "aspect-[6/5]"}`}>
        {typeof picture === "string" && <img src={picture} alt="" loading="lazy" className="size-full object-cover" />}
      </div>
      <div
        className={`mt-1.5 line-clamp-2 font-semibold ${small ? "min-h-8 text-[13px]/4" : "min-h-[34px] text-[13.5px]/[17px] @[900px]:min-h-0"}`}
      >
        {product.title}
      </div>
      <Price product={product} front={front} />
      {typeof rating === "number" && !small && (
        <div className="flex items-center gap-1 text-[12px]/4 text-soft">
          <Star className="size-3 fill-[#c9861a] text-[#c9861a]" aria-hidden />
          <span>
            <span className="sr-only">Rated </span>
            {decimal(rating, 1, front.locale)}
          </span>
          {typeof value("ratingCount") === "number" && <span>({String(value("ratingCount"))})</span>}
        </div>
      )}
    </>
  );
  if (!to) return <div>{body}</div>;
  return (
    <Link to={to} onClick={onOpen} className="group block text-ink no-underline">
      {body}
    </Link>
  );
}

export function Price({ product, front }: Pick<Props, "product" | "front">) {
  const t = useTexts();
  const value = (role: string) => product.fields[roleKey(front, role) ?? ""];
  const [now, sale] = [value("price"), value("salePrice")];
  const options = product.fields.options;
  if (typeof now !== "number") return null;
  const say = (amount: number) => formatPrice(amount, front.locale, front.currency);
  const stock = value("stock");
  return (
    <div className="flex flex-wrap items-baseline gap-x-1.5">
      {typeof options === "number" && options > 1 && typeof sale !== "number" && <span className="text-[12px] text-soft">{t("from")}</span>}
      <b className={typeof sale === "number" ? "text-loss" : ""}>{say(typeof sale === "number" ? sale : now)}</b>
      {typeof sale === "number" && <s className="text-[13px] text-soft">{say(now)}</s>}
      {stock === 0 && <span className="text-[12px] font-semibold text-loss">{t("Sold out")}</span>}
    </div>
  );
}
