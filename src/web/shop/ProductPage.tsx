import type { Product, Value } from "@core/catalogue/types";
import type { ProductCard } from "@core/search/request";
import { price as formatPrice } from "@ui/format";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { Card } from "./Card";
import { type Front, type FrontField, roleKey } from "./client";
import { categoryLink, productLink } from "./links";
import { useTexts } from "./texts";
import { record } from "./visit";

interface Related {
  goesWith: ProductCard[];
  insteadOf: ProductCard[];
}

export function ProductPage({ front }: { front: Front }) {
  const t = useTexts();
  const { id = "" } = useParams();
  const [product, setProduct] = useState<Product | null>(null);
  const [related, setRelated] = useState<Related | null>(null);
  const [chosen, setChosen] = useState(0);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    setChosen(0);
    setRelated(null);
    const path = encodeURIComponent(id);
    call<Product>(`/shop/${front.id}/products/${path}/data.json`).then(setProduct, (error: Error) => setFailure(error.message));
    call<Related>(`/shop/${front.id}/related/${path}`).then(setRelated, () => undefined);
    window.scrollTo(0, 0);
  }, [front.id, id]);
  if (failure) return <p className="py-8">{failure}</p>;
  if (!product) return <div className="min-h-[80vh]" />;
  const option = product.options[chosen];
  const value = (role: string): Value | undefined => {
    const key = roleKey(front, role) ?? "";
    return option?.values[key] ?? product.values[key];
  };
  const path = (value("category") as string[][] | undefined)?.[0] ?? [];
  return (
    <div className="py-5">
      <nav aria-label={t("Path")} className="mb-3 text-[13px] text-soft">
        {path.map((label, i) => (
          <span key={label}>
            {i > 0 && " › "}
            <Link to={categoryLink(front.id, path.slice(0, i + 1))} className="text-soft">
              {label}
            </Link>
          </span>
        ))}
      </nav>
      <div className="grid gap-8 md:grid-cols-[minmax(0,440px)_minmax(0,1fr)]">
        <div className="aspect-square overflow-hidden rounded bg-raised">
          {typeof value("picture") === "string" && (
            <img src={String(value("picture"))} alt={String(value("title") ?? "")} className="size-full object-cover" />
          )}
        </div>
        <div>
          <p className="text-[13px] text-soft">{String(value("brand") ?? "")}</p>
          <h1 className="text-[28px]/9">{String(value("title") ?? product.id)}</h1>
          <Amount front={front} now={value("price")} sale={value("salePrice")} />
          <Options front={front} product={product} chosen={chosen} onChoose={setChosen} />
          <Stock stock={value("stock")} />
          <button
            type="button"
            disabled={value("stock") === 0}
            onClick={() => record(front.id, { kind: "basket", product: product.id })}
            className="mt-3 h-11 w-full max-w-[280px] rounded bg-press font-semibold text-on-press disabled:opacity-50"
          >
            {t(value("stock") === 0 ? "Sold out" : "Put in the basket")}
          </button>
          <p className="mt-5 max-w-[60ch]">{String(value("description") ?? "")}</p>
          <Facts front={front} product={product} option={chosen} />
        </div>
      </div>
      <Row title={t("Goes with")} products={related?.goesWith ?? []} front={front} />
      <Row title={t("You might take instead")} products={related?.insteadOf ?? []} front={front} />
    </div>
  );
}

function Amount({ front, now, sale }: { front: Front; now: Value | undefined; sale: Value | undefined }) {
  if (typeof now !== "number") return null;
  const say = (amount: number) => formatPrice(amount, front.locale, front.currency);
  return (
    <p className="mt-2 text-[22px]/8">
      <b className={typeof sale === "number" ? "text-loss" : ""}>{say(typeof sale === "number" ? sale : now)}</b>{" "}
      {typeof sale === "number" && <s className="text-[16px] text-soft">{say(now)}</s>}
    </p>
  );
}

function Stock({ stock }: { stock: Value | undefined }) {
  const t = useTexts();
  if (typeof stock !== "number") return null;
  if (stock === 0) return <p className="mt-2 font-semibold text-loss">{t("Sold out for now")}</p>;
  return <p className="mt-2 text-gain">{stock <= 5 ? t("Only {n} left", { n: stock }) : t("In stock")}</p>;
}

function Options({
  front,
  product,
  chosen,
  onChoose,
}: {
  front: Front;
  product: Product;
  chosen: number;
  onChoose: (option: number) => void;
}) {
  if (product.options.length < 2) return null;
  const field = front.fields.find(
    (entry) => entry.role === "attribute" && product.options.some((option) => option.values[entry.key] !== undefined),
  );
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 text-[13px] text-soft">{field?.label ?? "Option"}</legend>
      <div className="flex flex-wrap gap-2">
        {product.options.map((option, i) => (
          <button
            key={option.id}
            type="button"
            aria-pressed={i === chosen}
            onClick={() => onChoose(i)}
            className={`rounded border px-3 py-1.5 ${i === chosen ? "border-press bg-press-soft font-semibold" : "border-rule hover:border-soft"}`}
          >
            {String(option.values[field?.key ?? ""] ?? option.id)}
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
function Facts({ front, product, option }: { front: Front; product: Product; option: number }) {
  const t = useTexts();
  const facts = front.fields.flatMap((field) => {
    const value = product.options[option]?.values[field.key] ?? product.values[field.key];
    return NOT_FACTS.includes(field.role) || value === undefined || value === false
      ? []
      : [[field.label, value === true ? t("Yes") : sayValue(field, value)]];
  });
  return (
    <dl className="mt-5 grid max-w-[520px] grid-cols-[150px_1fr] border-t border-rule text-[14px]">
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

function Row({ title, products, front }: { title: string; products: ProductCard[]; front: Front }) {
  if (products.length === 0) return null;
  return (
    <section className="mt-10">
      <h2 className="mb-3 text-[20px]">{title}</h2>
      <ul className="grid grid-cols-2 gap-4 sm:grid-cols-4">
        {products.map((product) => (
          <li key={product.id}>
            <Card product={product} front={front} to={productLink(front.id, product.id)} />
          </li>
        ))}
      </ul>
    </section>
  );
}
