import type { Condition } from "@core/settings/condition";
import { add, type PatchOperation } from "@core/settings/patch";
import type { Boost } from "@core/settings/schema";
import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { type FormEvent, useState } from "react";
import { BLANK, isBlank } from "../../pieces/conditions/blank";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { KeepingForm } from "../../pieces/KeepingForm";
import { Trial } from "../../pieces/Trial";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useOpen } from "../../state/bench";
import { sayReach, toFactor, toPercent } from "./strength";
import { useReach } from "./useReach";

interface Props {
  id: string;
  /** The boost that is changed; null for a new one. */
  start: Boost | null;
  /** With what to change, or null when it is left. */
  onDone: (operations: PatchOperation[] | null) => void;
}

const LEAST = -90;
const MOST = 300;

/** Name, part of the range, strength and dates of a boost, with its reach and what it would do, before it enters the draft. */
export function BoostForm({ id, start, onDone }: Props) {
  const { store } = useOpen("store");
  const [name, setName] = useState(start?.name ?? "");
  const [condition, setCondition] = useState<Condition>(start?.condition ?? BLANK);
  const [percent, setPercent] = useState(start ? toPercent(start.factor) : 20);
  const [dates, setDates] = useState({
    from: start?.from ?? null,
    until: start?.until ?? null,
    owner: start?.owner ?? null,
    review: start?.review ?? null,
  });
  const byIds = start?.products;
  const isNamed = byIds !== undefined || !isBlank(condition);
  const reach = useReach(byIds ? { products: byIds } : isNamed ? { condition } : null);
  const boost: Boost = {
    name: name.trim() || "Boost",
    ...(byIds ? { products: byIds } : { condition }),
    factor: toFactor(percent),
    on: start?.on ?? true,
    ...dates,
  };
  const isSame = start !== null && JSON.stringify(boost) === JSON.stringify(start);
  const patch: PatchOperation[] | null = isNamed && percent !== 0 && !isSame ? [add(["boosts", id], boost)] : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (patch && name.trim()) onDone(patch);
  };
  return (
    <form onSubmit={submit} aria-label={start ? `Change ${start.name}` : "New boost"} className="border-y border-rule py-3 text-[13px]">
      <div className="flex items-center gap-2">
        <TextInput
          aria-label="Name of the boost"
          placeholder="Own brand"
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="w-44 font-semibold"
        />
        <input
          type="range"
          aria-label="Strength"
          min={LEAST}
          max={MOST}
          step={5}
          value={Math.min(MOST, percent)}
          onChange={(event) => setPercent(Number(event.target.value))}
          className="min-w-0 flex-1 accent-(--press)"
        />
        <TextInput
          type="number"
          aria-label="Strength in per cent"
          min={-99}
          max={9900}
          value={percent}
          onChange={(event) => setPercent(Math.max(-99, Math.min(9900, Number(event.target.value) || 0)))}
          className="w-16 text-right tabular-nums"
        />
        <span className="text-soft">%</span>
      </div>
      {/* Enter takes over a value here; it does not send the form. */}
      <div className="mt-2" role="group" aria-label="Which products" onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}>
        {byIds ? (
          <p className="text-soft">For {byIds.length} products, chosen one by one.</p>
        ) : (
          <ConditionBuilder value={condition} onChange={setCondition} />
        )}
      </div>
      <div
        role="group"
        aria-label="Dates and owner"
        className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1.5"
        onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}
      >
        <ZonedSpan value={dates} timeZone={store.timeZone} onChange={(span) => setDates({ ...dates, ...span })} />
        <KeepingForm value={dates} onChange={(part) => setDates({ ...dates, ...part })} />
      </div>
      <div className="mt-2 flex items-center gap-2">
        <p className="min-w-0 flex-1 text-[12.5px]" role="status">
          {isNamed ? sayReach(reach) : <span className="text-soft">Choose products: a brand, a tag, a selection …</span>}
        </p>
        <Button look="bare" onClick={() => onDone(null)}>
          Cancel
        </Button>
        <Button look="main" type="submit" disabled={!patch || !name.trim()}>
          {start ? "Change the boost" : "Add the boost"}
        </Button>
      </div>
      <Trial patch={patch} />
    </form>
  );
}
