import { IconButton } from "@ui/Button";
import { X } from "lucide-react";
import { AddLine } from "../../pieces/AddLine";
import { ProductLine } from "../../pieces/ProductLine";
import { ProductPicker } from "../../pieces/ProductPicker";
import { useProducts } from "../../pieces/useProducts";
import { useWordCounts } from "../../words/useWordCounts";

interface Props {
  searches: string[];
  products: string[];
  onSearches: (searches: string[]) => Promise<boolean>;
  onProducts: (products: string[]) => void;
  /** What the proposals are for, for the names of the controls. */
  name: string;
}

const MOST = 20;

/** Searches and products that are proposed, by hand. A search that finds nothing itself is said so and not shown to shoppers. */
export function Proposals({ searches, products, onSearches, onProducts, name }: Props) {
  const counts = useWordCounts(searches);
  const facts = useProducts(products);
  return (
    <>
      <div className="flex items-start gap-2 border-t border-rule py-2 text-[13px]">
        <span className="w-20 shrink-0 pt-1 text-soft">Searches</span>
        <div className="flex flex-1 flex-wrap items-center gap-1.5">
          {searches.map((search) => (
            <span key={search} className="flex h-7 items-center gap-1.5 rounded bg-press-soft px-2 font-semibold">
              {search}
              {counts.get(search) === 0 ? (
                <small className="font-normal text-loss">finds nothing</small>
              ) : (
                <small className="font-normal text-soft">{counts.get(search)}</small>
              )}
              <button
                type="button"
                aria-label={`Remove ${search} from ${name}`}
                onClick={() => onSearches(searches.filter((entry) => entry !== search))}
              >
                <X className="size-3.5" />
              </button>
            </span>
          ))}
          {searches.length < MOST && (
            <AddLine
              label={`Search to propose for ${name}`}
              placeholder="pond plants"
              className="w-52"
              onAdd={(word) => onSearches([...new Set([...searches, word])])}
            />
          )}
        </div>
      </div>
      <div className="border-y border-rule py-2 text-[13px]">
        <div className="flex items-center gap-2">
          <span className="w-20 shrink-0 text-soft">Products</span>
          <div className="flex-1" data-next-field>
            {products.length < MOST && (
              <ProductPicker
                label={`Product to propose for ${name}`}
                onPick={(product) => !products.includes(product.id) && onProducts([...products, product.id])}
              />
            )}
          </div>
        </div>
        {products.length > 0 && (
          <ol className="mt-1.5 ml-[88px] border-t border-rule">
            {products.map((id) => (
              <ProductLine key={id} id={id} product={facts.get(id)} lead={null} note="proposed">
                <IconButton
                  label={`Remove ${facts.get(id)?.title ?? id}`}
                  onClick={() => onProducts(products.filter((entry) => entry !== id))}
                >
                  <X className="size-4" />
                </IconButton>
              </ProductLine>
            ))}
          </ol>
        )}
      </div>
    </>
  );
}
