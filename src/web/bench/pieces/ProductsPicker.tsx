import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { X } from "lucide-react";
import { useState } from "react";
import { ProductPicker } from "./ProductPicker";

export interface Picked {
  id: string;
  title: string;
}

interface Props {
  label: string;
  placeholder?: string;
  /** What is done with those that were picked, each with its words: "Pin" makes "Pin 3 products". */
  deeds: readonly { verb: string; act: (products: Picked[]) => void }[];
}

/** Finds products with the store's own search and gathers them; what is to be done with them is said at the end. */
export function ProductsPicker({ label, placeholder, deeds }: Props) {
  const [picked, setPicked] = useState<Picked[]>([]);
  const without = (id: string) => setPicked(picked.filter((product) => product.id !== id));
  return (
    <div>
      {picked.length > 0 && (
        <div className="mb-1.5 flex flex-wrap items-center gap-1.5 text-[13px]">
          {picked.map(({ id, title }) => (
            <span key={id} className="inline-flex h-7 max-w-52 items-center gap-1 rounded bg-press-soft pr-1 pl-2">
              <span className="truncate">{title}</span>
              <button type="button" aria-label={`Not ${title}`} onClick={() => without(id)} className="text-soft hover:text-ink">
                <X className="size-3.5" />
              </button>
            </span>
          ))}
          {deeds.map(({ verb, act }) => (
            <Button
              key={verb}
              onClick={() => {
                act(picked);
                setPicked([]);
              }}
            >
              {verb} {plural(picked.length, "product")}
            </Button>
          ))}
        </div>
      )}
      <ProductPicker
        label={label}
        placeholder={placeholder}
        picked={picked.map(({ id }) => id)}
        onPick={(product) => (picked.some(({ id }) => id === product.id) ? without(product.id) : setPicked([...picked, product]))}
      />
    </div>
  );
}
