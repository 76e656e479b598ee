import { PLACES, type Place } from "@core/settings/parts";
import { add, type PatchOperation } from "@core/settings/patch";
import type { Hide } from "@core/settings/schema";
import { blankHide } from "@core/settings/storewide";
import { Button, IconButton } from "@ui/Button";
import { Segments, TextInput, TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { X } from "lucide-react";
import { type FormEvent, useState } from "react";
import { BLANK, isBlank } from "../../pieces/conditions/blank";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { KeepingForm } from "../../pieces/KeepingForm";
import { Marks } from "../../pieces/Marks";
import { ProductPicker } from "../../pieces/ProductPicker";
import { Trial } from "../../pieces/Trial";
import { useProducts } from "../../pieces/useProducts";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { sayReach } from "../../ranking/boosts/strength";
import { useReach } from "../../ranking/boosts/useReach";
import { useOpen } from "../../state/bench";
import { PLACE_NAMES } from "./places";

interface Props {
  id: string;
  /** The hide that is changed; null for a new one. */
  start: Hide | null;
  /** With what to change, or null when it is left. */
  onDone: (operations: PatchOperation[] | null) => void;
}

/** Which products are hidden from which places, when and why, with what it changes before it enters the draft. */
export function HideForm({ id, start, onDone }: Props) {
  const { store } = useOpen("store");
  const [hide, setHide] = useState<Hide>(start ?? { ...blankHide(""), condition: BLANK });
  const change = (part: Partial<Hide>) => setHide({ ...hide, ...part });
  const isNamed = hide.products ? hide.products.length > 0 : hide.condition !== undefined && !isBlank(hide.condition);
  const { products, condition } = hide;
  const reach = useReach(!isNamed ? null : products ? { products } : condition ? { condition } : null);
  const named = hide.products ? hide.products.length : (reach?.products ?? null);
  const isSame = start !== null && JSON.stringify(hide) === JSON.stringify(start);
  const value: Hide = { ...hide, name: hide.name.trim() || "Hidden" };
  const patch: PatchOperation[] | null = isNamed && hide.places.length > 0 && !isSame ? [add(["hides", id], value)] : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (patch && hide.name.trim()) onDone(patch);
  };
  return (
    <form onSubmit={submit} aria-label={start ? `Change ${start.name}` : "New hide"} className="border-y border-rule py-3 text-[13px]">
      <div className="flex flex-wrap items-center gap-2">
        <TextInput
          aria-label="Rule name"
          placeholder="Frost-tender plants in winter"
          value={hide.name}
          onChange={(event) => change({ name: event.target.value })}
          className="w-64 font-semibold"
        />
        <Segments
          label="How the products are named"
          value={hide.products ? "products" : "condition"}
          options={[
            { value: "condition", label: "by a condition" },
            { value: "products", label: "one by one" },
          ]}
          onChange={(kind) => setHide(withKind(hide, kind))}
        />
      </div>
      <div className="mt-2" role="group" aria-label="Which products" onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}>
        {hide.products ? (
          <OneByOne ids={hide.products} onChange={(products) => change({ products })} />
        ) : (
          <ConditionBuilder value={hide.condition ?? BLANK} onChange={(condition) => change({ condition })} />
        )}
      </div>
      <div className="mt-2.5 flex flex-wrap items-center gap-x-3 gap-y-2">
        <span className="text-soft">Hide in</span>
        <Marks
          label="Places"
          value={hide.places}
          options={PLACES.map((place) => ({ value: place, label: PLACE_NAMES[place] }))}
          onChange={(places) => change({ places: PLACES.filter((place) => places.includes(place)) as Place[] })}
        />
        <span className="text-[12.5px] text-soft">The product's own page stays.</span>
      </div>
      <div role="group" aria-label="When and why" onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}>
        <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-2">
          <ZonedSpan value={{ from: hide.from, until: hide.until }} timeZone={store.timeZone} onChange={change} />
          <KeepingForm value={hide} onChange={change} />
        </div>
        <TextLine
          label="Reason"
          value={hide.reason}
          placeholder="Why, for whoever finds it later"
          onCommit={(reason) => change({ reason: reason.trim() })}
          className="mt-2 w-full"
        />
      </div>
      <div className="mt-2 flex items-center gap-2">
        <p className="min-w-0 flex-1 text-[12.5px]" role="status">
          {isNamed ? sayReach(reach) : <span className="text-soft">Choose products: a tag, a selection, one by one …</span>}
        </p>
        <Button look="bare" onClick={() => onDone(null)}>
          Cancel
        </Button>
        <Button look="main" type="submit" disabled={!patch || !hide.name.trim()}>
          {start ? "Change the hide" : named === null ? "Hide them" : `Hide ${plural(named, "product")}`}
        </Button>
      </div>
      <Trial
        patch={
          patch && hide.from === null ? patch : patch && [{ ...patch[0], value: { ...value, from: null, until: null } } as PatchOperation]
        }
      />
    </form>
  );
}

function withKind({ condition, products, ...hide }: Hide, kind: string): Hide {
  return kind === "products" ? { ...hide, products: products ?? [] } : { ...hide, condition: condition ?? BLANK };
}

function OneByOne({ ids, onChange }: { ids: readonly string[]; onChange: (ids: string[]) => void }) {
  const products = useProducts(ids.slice(0, 200));
  return (
    <>
      <ProductPicker
        label="Product to hide"
        picked={ids}
        onPick={({ id }) => onChange(ids.includes(id) ? ids.filter((other) => other !== id) : [...ids, id])}
      />
      <ul className="mt-1.5 max-h-44 overflow-y-auto">
        {ids.slice(0, 200).map((id) => (
          <li key={id} className="flex h-7 items-center gap-2 border-b border-rule">
            <span className={`min-w-0 flex-1 truncate ${products.get(id)?.isGone ? "text-loss" : ""}`}>
              {products.get(id)?.title ?? id}
              {products.get(id)?.isGone && ", no longer in the catalogue"}
            </span>
            <IconButton
              label={`Not ${products.get(id)?.title ?? id}`}
              onClick={() => onChange(ids.filter((other) => other !== id))}
              className="!size-6"
            >
              <X className="size-3.5" />
            </IconButton>
          </li>
        ))}
      </ul>
      {ids.length > 200 && <p className="text-[12.5px] text-soft">and {ids.length - 200} more</p>}
    </>
  );
}
