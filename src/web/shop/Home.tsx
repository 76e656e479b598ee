import { lookUp } from "@core/records";
import type { ProductCard } from "@core/search/request";
import type { Say } from "@core/storefront/say-messages";
import { useEffect, useState } from "react";
import { Card } from "./card/Card";
import { departments, type PageProps, roleKey } from "./client";
import { To, usePlaces } from "./links";
import { gridOf } from "./results/grid";
import { useTexts } from "./texts";

/** Before anything is searched: the departments, and what the shop has chosen to show. */
export function Home({ front, client }: PageProps) {
  const t = useTexts();
  const places = usePlaces();
  const [products, setProducts] = useState<ProductCard[] | null>(null);
  const [pictures, setPictures] = useState(new Map<string, string>());
  const tops = departments(front);
  const { show, query } = front.page.start;
  useEffect(() => {
    const controller = new AbortController();
    client.start().then(setProducts, () => setProducts([]));
    // Each department shows what sells best in it.
    const picture = roleKey(front, "picture") ?? "";
    const best = (name: string) =>
      client.search({ placement: "category", category: [name], sort: "bestselling", limit: 1, fields: [picture] }, controller.signal);
    const take = async (name: string) => [name, String(lookUp((await best(name)).hits[0]?.fields, picture) ?? "")] as const;
    Promise.all(departments(front).map(take)).then(
      (found) => setPictures(new Map(found)),
      () => undefined,
    );
    return () => controller.abort();
  }, [client, front]);
  const heading = {
    nothing: "",
    search: t("results.heading", { query }),
    bestselling: t("home.bestselling"),
    newest: t("home.newest"),
    mix: t("home.mix"),
  }[show];
  return (
    <div className="@container">
      <section className="pt-8 pb-6">
        <h1 className="max-w-[640px] text-[calc(var(--text)*2)]/[1.2] sm:text-[calc(var(--text)*2.4)]/[1.15]">
          {sayRange(tops, front.language, t)}
        </h1>
      </section>
      <section
        aria-label={t("home.departments")}
        className="grid grid-cols-2 gap-2 border-y border-rule py-5 sm:grid-cols-3 lg:grid-cols-5"
      >
        {tops.map((name) => (
          <To
            key={name}
            to={places.category([name])}
            className="flex h-14 items-center gap-3 overflow-hidden rounded-shop bg-raised pr-3 font-semibold text-ink no-underline hover:text-press hover:underline"
          >
            <span className="size-14 shrink-0 bg-rule/40">
              {pictures.get(name) && <img src={pictures.get(name)} alt="" className="size-full object-cover" />}
            </span>
            {name}
          </To>
        ))}
      </section>
      {show !== "nothing" && (products === null || products.length > 0) && (
        <section part="start" aria-label={heading}>
          <h2 className="t-xl mt-6 mb-3">{heading}</h2>
          <ul {...gridOf({ ...front.page.layout, as: "grid" })} className={`shelf-grid ${products === null ? "min-h-[520px]" : ""}`}>
            {products?.map((product) => (
              <li key={product.id}>
                <Card product={product} front={front} to={places.product(product.id, product.variant)} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** "Plants, seeds, bulbs and 10 more departments." */
function sayRange(names: readonly string[], language: string, t: Say): string {
  if (names.length < 4) return names.join(" + ") || t("home.everything");
  const [first, ...others] = names.slice(0, 3);
  // German writes nouns with a capital wherever they stand.
  const rest = language.startsWith("de") ? others : others.map((name) => name.toLowerCase());
  return t("home.range", { names: [first, ...rest].join(", "), n: names.length - 3 });
}
