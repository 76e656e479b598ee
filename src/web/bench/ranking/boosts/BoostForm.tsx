import { add } from "@core/settings/patch";
import { Boost } from "@core/settings/schema";
import { TextInput } from "@ui/controls";
import { EntryShell } from "../../forms/EntryShell";
import { useEntryForm } from "../../forms/useEntryForm";
import { BLANK, isBlank } from "../../pieces/conditions/blank";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { KeepingForm } from "../../pieces/KeepingForm";
import { NumberLine } from "../../pieces/NumberLine";
import { Trial } from "../../pieces/Trial";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useBenchParts, useOpen } from "../../state/bench";
import { sayReach, toFactor, toPercent } from "./strength";
import { useReach } from "./useReach";

interface Props {
  id: string;
  /** The boost that is changed; null for a new one. */
  start: Boost | null;
  /** Once it is taken, or left. */
  onDone: () => void;
}

const LEAST = -90;
const MOST = 300;

const Filled = Boost.refine(({ condition }) => !condition || !isBlank(condition), "Choose products: a brand, a tag, a selection …")
  .refine(({ factor }) => factor !== 1, "A strength of 0 % changes nothing.")
  .refine(({ name }) => name.trim() !== "", "Give it a name.");
const blank = (): Boost => ({
  name: "",
  condition: BLANK,
  factor: toFactor(20),
  on: true,
  from: null,
  until: null,
  owner: null,
  review: null,
});

/** Name, part of the range, strength and dates of a boost, with its reach and what it would do, before it enters the draft. */
export function BoostForm({ id, start, onDone }: Props) {
  const { store } = useOpen("store");
  const { edit } = useBenchParts("edit");
  const form = useEntryForm(Filled, start ?? blank(), start === null);
  const { value: boost, change } = form;
  const { products, condition } = boost;
  const percent = toPercent(boost.factor);
  const reach = useReach(products ? { products } : condition && !isBlank(condition) ? { condition } : null);
  const patch = [add(["boosts", id], { ...boost, name: boost.name.trim() })];
  // What it would do can be seen before it has a name.
  const isTried = Filled.safeParse({ ...boost, name: "–" }).success && (start === null || form.formState.isDirty);
  const send = form.sendWith(() => edit(patch), { onDone });
  return (
    <EntryShell
      form={form}
      label={start ? `Change ${start.name}` : "New boost"}
      verb={start ? "Change the boost" : "Add the boost"}
      onSubmit={send}
      onCancel={onDone}
      status={sayReach(reach)}
      trial={<Trial patch={isTried ? patch : null} />}
    >
      <div className="flex items-center gap-2">
        <TextInput aria-label="Name of the boost" placeholder="Own brand" className="w-44 font-semibold" {...form.register("name")} />
        <input
          type="range"
          aria-label="Strength"
          min={LEAST}
          max={MOST}
          step={5}
          value={Math.min(MOST, percent)}
          onChange={(event) => change({ factor: toFactor(Number(event.target.value)) })}
          className="min-w-0 flex-1 accent-(--press)"
        />
        <NumberLine
          label="Strength in per cent"
          value={percent}
          min={-99}
          max={9900}
          onCommit={(next) => change({ factor: toFactor(next) })}
        />
        <span className="text-soft">%</span>
      </div>
      <div className="mt-2" role="group" aria-label="Which products">
        {products ? (
          <p className="text-soft">For {products.length} products, chosen one by one.</p>
        ) : (
          <ConditionBuilder value={condition ?? BLANK} onChange={(condition) => change({ condition })} />
        )}
      </div>
      <div role="group" aria-label="Dates and owner" className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1.5">
        <ZonedSpan value={boost} timeZone={store.timeZone} onChange={({ from, until }) => change({ from, until })} />
        <KeepingForm value={boost} onChange={change} />
      </div>
    </EntryShell>
  );
}
