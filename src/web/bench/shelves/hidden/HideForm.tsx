import { blankHide } from "@core/settings/blank-hide";
import { add, type PatchOperation } from "@core/settings/patch";
import { PLACES } from "@core/settings/places";
import { Hide } from "@core/settings/schema";
import { IconButton } from "@ui/Button";
import { Segments, TextInput, TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { X } from "lucide-react";
import { EntryShell } from "../../forms/EntryShell";
import { useEntryForm } from "../../forms/useEntryForm";
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
import { useBenchParts, useOpen } from "../../state/bench";
import { PLACE_NAMES } from "./places";

interface Props {
  id: string;
  /** The hide that is changed; null for a new one. */
  start: Hide | null;
  /** Once it is taken, or left. */
  onDone: () => void;
}

const isNamed = ({ products, condition }: Hide) => (products ? products.length > 0 : condition !== undefined && !isBlank(condition));
const Filled = Hide.refine(isNamed, "Choose products: a tag, a selection, one by one …").refine(
  ({ name }) => name.trim() !== "",
  "Give it a name.",
);

/** Which products are hidden from which places, when and why, with what it changes before it enters the draft. */
export function HideForm({ id, start, onDone }: Props) {
  const { store } = useOpen("store");
  const { edit } = useBenchParts("edit");
  const form = useEntryForm(Filled, start ?? { ...blankHide(""), condition: BLANK }, start === null);
  const { value: hide, change } = form;
  const { products, condition } = hide;
  const reach = useReach(!isNamed(hide) ? null : products ? { products } : condition ? { condition } : null);
  const named = products ? products.length : (reach?.products ?? null);
  const patch = [add(["hides", id], { ...hide, name: hide.name.trim() })];
  // What it would do can be seen before it has a name, and on its first day.
  const isTried = Filled.safeParse({ ...hide, name: "–" }).success && (start === null || form.formState.isDirty);
  const trial: PatchOperation[] = [add(["hides", id], hide.from === null ? hide : { ...hide, from: null, until: null })];
  const send = form.sendWith(() => edit(patch), { onDone });
  return (
    <EntryShell
      form={form}
      label={start ? `Change ${start.name}` : "New hide"}
      verb={start ? "Change the hide" : named === null ? "Hide them" : `Hide ${plural(named, "product")}`}
      onSubmit={send}
      onCancel={onDone}
      status={sayReach(reach)}
      trial={<Trial patch={isTried ? trial : null} />}
    >
      <div className="flex flex-wrap items-center gap-2">
        <TextInput
          aria-label="Rule name"
          placeholder="Frost-tender plants in winter"
          className="w-64 font-semibold"
          {...form.register("name")}
        />
        <Segments
          label="How the products are named"
          value={products ? "products" : "condition"}
          options={[
            { value: "condition", label: "by a condition" },
            { value: "products", label: "one by one" },
          ]}
          onChange={(kind) =>
            change(kind === "products" ? { products: [], condition: undefined } : { products: undefined, condition: BLANK })
          }
        />
      </div>
      <div className="mt-2" role="group" aria-label="Which products">
        {products ? (
          <OneByOne ids={products} onChange={(products) => change({ products })} />
        ) : (
          <ConditionBuilder value={condition ?? BLANK} onChange={(condition) => change({ condition })} />
        )}
      </div>
      <div className="mt-2.5 flex flex-wrap items-center gap-x-3 gap-y-2">
        <span className="text-soft">Hide in</span>
        <Marks
          label="Places"
          value={hide.places}
          options={PLACES.map((place) => ({ value: place, label: PLACE_NAMES[place] }))}
          onChange={(places) => change({ places: PLACES.filter((place) => places.includes(place)) })}
        />
        <span className="text-[12.5px] text-soft">The product's own page stays.</span>
      </div>
      <div role="group" aria-label="When and why">
        <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-2">
          <ZonedSpan value={hide} timeZone={store.timeZone} onChange={({ from, until }) => change({ from, until })} />
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
    </EntryShell>
  );
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
