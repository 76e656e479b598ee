import type { FrontField, ShopFront } from "@contract/search";
import type { FieldRole, Product, Value } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import type { ProductCard } from "@core/search/request";
import { useEffect } from "react";
import { useParams, useSearchParams } from "react-router";
import { Card } from "../card/Card";
import { askShop, roleKey } from "../client";
import { useKept } from "../kept";
import { To, usePlaces } from "../links";
import { amountOf, noneText, noteText, sayPrice } from "../prices";
import { useTexts } from "../texts";
import { useLoaded } from "../useLoaded";
import { record } from "../visit";

export function ProductPage({ front }: { front: ShopFront }) {
  const t = useTexts();
  const places = usePlaces();
  const kept = useKept();
  const { id = "" } = useParams();
  const [address, setAddress] = useSearchParams();
  const ask = askShop(`/shop/${front.id}`);
  const { answer: product, failure } = useLoaded(`${front.id}/${id}`, (signal) =>
    ask("GET /products/{id}/data.json", { params: { id }, signal }),
  );
  const { answer: related } = useLoaded(`${front.id}/${id}`, (signal) =>
    ask("GET /related/{product}", { params: { product: id }, signal }),
  );
  // Another product begins at its top.
  useEffect(() => {
    if (id) window.scrollTo(0, 0);
  }, [id]);
  if (failure) return <p className="py-8">{failure}</p>;
  if (!product) return <div className="min-h-[80vh]" />;
  const wanted = address.get("option") ?? product.variant;
  const chosen = Math.max(
    0,
    product.options.findIndex((entry) => entry.id === wanted),
  );
  const option = product.options[chosen];
  const goOn = (other: string) => record(`/shop/${front.id}`, { kind: "click", product: other, beside: id });
  const value = (role: FieldRole): Value | undefined => {
    const key = roleKey(front, role) ?? "";
    return lookUp(option?.values, key) ?? lookUp(product.values, key);
  };
  const path = (value("category") as string[][] | undefined)?.[0] ?? [];
  return (
    <div className="py-5">
      <nav aria-label={t("results.path")} className="mb-3 t-s text-soft">
        {path.map((label, i) => (
          <span key={label}>
            {i > 0 && " › "}
            <To to={places.category(path.slice(0, i + 1))} className="text-soft">
              {label}
            </To>
          </span>
        ))}
      </nav>
      <div className="grid gap-8 md:grid-cols-[minmax(0,440px)_minmax(0,1fr)]">
        <div className="aspect-square overflow-hidden rounded-shop bg-raised">
          {typeof value("picture") === "string" && (
            <img src={String(value("picture"))} alt={String(value("title") ?? "")} className="size-full object-cover" />
          )}
        </div>
        <div>
          <p className="t-s text-soft">{String(value("brand") ?? "")}</p>
          <h1 className="t-xxl">{String(value("title") ?? product.id)}</h1>
          <Amount front={front} fields={{ ...product.values, ...option?.values }} />
          <Options
            front={front}
            product={product}
            chosen={chosen}
            onChoose={(option) => setAddress({ option: product.options[option].id }, { replace: true })}
          />
          <Stock stock={value("stock")} />
          <button
            type="button"
            disabled={value("stock") === 0}
            onClick={() => kept.put({ product: product.id, variant: option?.id ?? product.id, amount: 1 })}
            className="mt-3 h-11 w-full max-w-[280px] rounded-shop bg-press font-semibold text-on-press disabled:opacity-50"
          >
            {t(value("stock") === 0 ? "card.sold-out" : lookUp(kept.basket, product.id) ? "card.in-basket" : "card.basket")}
          </button>
          <p className="mt-5 max-w-[60ch]">{String(value("description") ?? "")}</p>
          <Facts front={front} product={product} option={chosen} />
        </div>
      </div>
      <Row title={t("product.goes-with")} products={related?.goesWith ?? []} front={front} onOpen={goOn} />
      <Row title={t("product.instead")} products={related?.insteadOf ?? []} front={front} onOpen={goOn} />
    </div>
  );
}

function Amount({ front, fields }: { front: ShopFront; fields: Record<string, Value> }) {
  const amount = amountOf(front, fields);
  if (!amount) return <p className="t-xl mt-2 font-semibold">{noneText(front)}</p>;
  return (
    <p className="t-xl mt-2">
      <b className={amount.before === null ? "" : "text-loss"}>{sayPrice(front, amount.now)}</b>{" "}
      {amount.before !== null && <s className="t-m text-soft">{sayPrice(front, amount.before)}</s>}{" "}
      <span className="t-s text-soft">{noteText(front)}</span>
    </p>
  );
}

function Stock({ stock }: { stock: Value | undefined }) {
  const t = useTexts();
  if (typeof stock !== "number") return null;
  if (stock === 0) return <p className="mt-2 font-semibold text-loss">{t("product.sold-out")}</p>;
  return <p className="mt-2 text-gain">{stock <= 5 ? t("card.left", { n: stock }) : t("card.in-stock")}</p>;
}

function Options({
  front,
  product,
  chosen,
  onChoose,
}: {
  front: ShopFront;
  product: Product;
  chosen: number;
  onChoose: (option: number) => void;
}) {
  const t = useTexts();
  if (product.options.length < 2) return null;
  const field = front.fields.find(
    (entry) => entry.role === "attribute" && product.options.some((option) => lookUp(option.values, entry.key) !== undefined),
  );
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 t-s text-soft">{field?.label ?? t("product.option")}</legend>
      <div className="flex flex-wrap gap-2">
        {product.options.map((option, i) => (
          <button
            key={option.id}
            type="button"
            aria-pressed={i === chosen}
            onClick={() => onChoose(i)}
            className={`rounded-shop border px-3 py-1.5 ${i === chosen ? "border-press bg-press-soft font-semibold" : "border-rule hover:border-soft"}`}
          >
            {String(lookUp(option.values, field?.key ?? "") ?? option.id)}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

const NOT_FACTS = [
  "title",
  "description",
  "picture",
  "link",
  "price",
  "salePrice",
  "listPrice",
  "stock",
  "sold",
  "rating",
  "ratingCount",
  "added",
  "tags",
  "category",
  "brand",
];

/** What the product's fields say; a line without a value is not there. */
function Facts({ front, product, option }: { front: ShopFront; product: Product; option: number }) {
  const t = useTexts();
  const facts = front.fields.flatMap((field) => {
    const value = lookUp(product.options[option]?.values, field.key) ?? lookUp(product.values, field.key);
    return NOT_FACTS.includes(field.role) || value === undefined || value === false
      ? []
      : [[field.label, value === true ? t("filters.yes") : sayValue(field, value)]];
  });
  return (
    <dl className="mt-5 grid max-w-[520px] grid-cols-[150px_1fr] border-t border-rule t-s">
      {facts.map(([label, text]) => (
        <div key={label} className="contents">
          <dt className="border-b border-rule py-1.5 text-soft">{label}</dt>
          <dd className="border-b border-rule py-1.5">{text}</dd>
        </div>
      ))}
    </dl>
  );
}

function sayValue(field: FrontField, value: Value): string {
  if (Array.isArray(value)) return value.flat().join(", ");
  return typeof value === "number" && field.unit ? `${value} ${field.unit}` : String(value);
}

interface RowProps {
  title: string;
  products: ProductCard[];
  front: ShopFront;
  onOpen: (id: string) => void;
}

function Row({ title, products, front, onOpen }: RowProps) {
  const places = usePlaces();
  if (products.length === 0) return null;
  return (
    <section className="mt-10">
      <h2 className="mb-3 t-xl">{title}</h2>
      <ul className="grid grid-cols-2 gap-(--across) sm:grid-cols-4">
        {products.map((product) => (
          <li key={product.id}>
            <Card product={product} front={front} to={places.product(product.id, product.variant)} onOpen={() => onOpen(product.id)} />
          </li>
        ))}
      </ul>
    </section>
  );
}
