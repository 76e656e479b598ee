import type { ShopProduct } from "@contract/products";
import type { ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import { useParams } from "react-router";
import { sayField } from "./card/product";
import { askShop, roleKey } from "./client";
import { useKept } from "./kept";
import { To, usePlaces } from "./links";
import { amountOf, noneText, sayPrice } from "./prices";
import { useTexts } from "./texts";
import { useLoaded } from "./useLoaded";

/** What is saved, as a table: a row for each product, or for comparing a column for each. */
export function KeptList({ front }: { front: ShopFront }) {
  const t = useTexts();
  const { list = "basket" } = useParams();
  const kept = useKept();
  const ids = list === "compared" ? kept.compared : list === "remembered" ? kept.remembered : Object.keys(kept.basket);
  const products = useKeptProducts(front, ids);
  const title = t(list === "compared" ? "kept.compared" : list === "remembered" ? "kept.remembered" : "kept.basket");
  return (
    <div className="py-5">
      <h1 className="t-xxl mb-4">{title}</h1>
      {ids.length === 0 ? (
        <p className="text-soft">{t("kept.nothing")}</p>
      ) : list === "compared" ? (
        <Compared front={front} products={products} />
      ) : (
        <ul className="max-w-[720px] border-t border-rule">
          {products.map((product) => (
            <li key={product.id} className="flex items-center gap-4 border-b border-rule py-2">
              <KeptProduct front={front} product={product} />
              {list === "basket" && (
                <span className="ml-auto whitespace-nowrap tabular-nums">
                  {lookUp(kept.basket, product.id)} × {priceOf(front, product)}
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function KeptProduct({ front, product }: { front: ShopFront; product: ShopProduct }) {
  const places = usePlaces();
  const picture = lookUp(product.values, roleKey(front, "picture") ?? "");
  return (
    <>
      <span className="size-14 shrink-0 overflow-hidden rounded-shop bg-raised">
        {typeof picture === "string" && <img src={picture} alt="" className="size-full object-cover" />}
      </span>
      <To to={places.product(product.id, product.variant)} className="font-semibold text-ink">
        {String(lookUp(product.values, roleKey(front, "title") ?? "") ?? product.id)}
      </To>
    </>
  );
}

function Compared({ front, products }: { front: ShopFront; products: readonly ShopProduct[] }) {
  const places = usePlaces();
  const kept = useKept();
  const t = useTexts();
  const rows = front.fields.filter(
    ({ key, role }) =>
      ["attribute", "brand", "rating", "stock"].includes(role) && products.some(({ values }) => lookUp(values, key) !== undefined),
  );
  return (
    <div className="overflow-x-auto">
      <table className="t-s w-full min-w-[520px] border-collapse text-left">
        <thead>
          <tr className="align-bottom">
            <td />
            {products.map((product) => (
              <th key={product.id} scope="col" className="border-b border-rule p-2 font-semibold">
                <To to={places.product(product.id, product.variant)} className="text-ink">
                  {String(lookUp(product.values, roleKey(front, "title") ?? "") ?? product.id)}
                </To>
                <p className="font-normal">{priceOf(front, product)}</p>
                <button type="button" onClick={() => kept.toggle("compared", product.id)} className="t-xs font-normal text-press">
                  {t("filters.remove", { text: "" }).trim()}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((field) => (
            <tr key={field.key} className="align-top">
              <th scope="row" className="border-b border-rule p-2 font-normal whitespace-nowrap text-soft">
                {field.label}
              </th>
              {products.map(({ id, values }) => (
                <td key={id} className="border-b border-rule p-2">
                  {sayField(front, field.key, lookUp(values, field.key), false) ?? "–"}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function priceOf(front: ShopFront, product: ShopProduct): string {
  const amount = amountOf(front, { ...product.values, ...product.options.find(({ id }) => id === product.variant)?.values });
  return amount ? sayPrice(front, amount.now) : noneText(front);
}

/** The products of some ids, in their order; those that are gone from the shop are left out. */
function useKeptProducts(front: ShopFront, ids: readonly string[]): ShopProduct[] {
  const ask = askShop(`/shop/${front.id}`);
  const { answer } = useLoaded([front.id, ...ids].join("\n"), async (signal) => {
    const products = await Promise.allSettled(ids.map((id) => ask("GET /products/{id}/data.json", { params: { id }, signal })));
    return products.flatMap((product) => (product.status === "fulfilled" ? [product.value] : []));
  });
  return answer ?? NONE;
}

const NONE: ShopProduct[] = [];
