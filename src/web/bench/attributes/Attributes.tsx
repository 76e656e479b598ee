import type { Field } from "@contract/fields";
import { isOfFeed } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import { add } from "@core/settings/patch";
import type { Attribute } from "@core/settings/schema";
import { count } from "@ui/format";
import { type ReactNode, useState } from "react";
import { Screen } from "../frame/Screen";
import { useOpenRow } from "../frame/useOpenRow";
import { SortableList, SortableRow } from "../pieces/SortableList";
import { useBench, useOpen } from "../state/bench";
import { AttributeRow } from "./AttributeRow";
import { weightBetween } from "./order";
import { Setup } from "./Setup";
import { useAttributeImpact } from "./useAttributeImpact";

const NOTHING = { answered: 0, alone: 0, clicked: 0 };
const UNSEARCHED: Attribute = { searchable: false, weight: 1, early: false, length: "some", whole: false };

function change(key: string, part: Partial<Attribute>): void {
  const { open, edit } = useBench.getState();
  const old = lookUp(open?.settings.attributes, key);
  void edit([add(["attributes", key], { ...UNSEARCHED, ...old, ...part })]);
}

/** Which fields a search looks into, and how much each counts. */
export default function Attributes() {
  const { fields, settings, live } = useOpen("fields", "settings", "live");
  const [openRow, setOpenRow] = useOpenRow();
  const [isWanted, setAllShown] = useState(false);
  const searched = fields.filter(
    (field) => lookUp(settings.attributes, field.key)?.searchable || lookUp(live.attributes, field.key)?.searchable,
  );
  const others = fields.filter((field) => isOfFeed(field) && !searched.includes(field));
  const impact = useAttributeImpact();
  // Rows stand by their live weights and stay while a weight is moved; a drag puts them in another order.
  const [order, setOrder] = useState<string[] | null>(null);
  const byWeight = [...searched].sort(
    (a, b) => (lookUp(live.attributes, b.key)?.weight ?? 0) - (lookUp(live.attributes, a.key)?.weight ?? 0),
  );
  const place = (field: Field) => (order?.includes(field.key) ? order.indexOf(field.key) : byWeight.indexOf(field));
  const shown = [...byWeight].sort((a, b) => place(a) - place(b));
  const weightOf = (key: string | undefined) => (key === undefined ? null : (lookUp(settings.attributes, key)?.weight ?? 0));
  const drag = (key: string, to: number) => {
    const keys = shown.map((field) => field.key).filter((other) => other !== key);
    keys.splice(to, 0, key);
    setOrder(keys);
    const weight = weightBetween(weightOf(key) ?? 0, weightOf(keys[to - 1]), weightOf(keys[to + 1]));
    if (weight !== weightOf(key)) change(key, { weight });
  };
  const row = (field: Field, handle?: ReactNode) => (
    <AttributeRow
      key={field.key}
      field={field}
      handle={handle}
      impact={impact ? (lookUp(impact.fields, field.key) ?? NOTHING) : null}
      attribute={lookUp(settings.attributes, field.key) ?? UNSEARCHED}
      live={lookUp(live.attributes, field.key)}
      isOpen={openRow === field.key}
      onOpen={setOpenRow}
      onChange={change}
    />
  );
  const isAllShown = isWanted || others.some(({ key }) => key === openRow);
  return (
    <Screen
      title="Attributes"
      lead="Which fields a search looks into, and how much each one counts. Every change shows in the window at once."
    >
      {impact && (
        <p className="-mt-1 mb-2 text-[12.5px] text-soft">
          Worked out with {count(impact.asked)} of last week's {count(impact.searches)} searches, the most asked ones, on this draft.
        </p>
      )}
      <SortableList ids={shown.map((field) => field.key)} onMove={drag}>
        {shown.map((field) => (
          <SortableRow key={field.key} id={field.key} label={field.label}>
            {(handle) => row(field, handle)}
          </SortableRow>
        ))}
      </SortableList>
      {others.length > 0 && (
        <>
          <button
            type="button"
            aria-expanded={isAllShown}
            onClick={() => setAllShown(!isAllShown)}
            className="mt-3 font-semibold text-press"
          >
            {isAllShown ? "Hide" : "Show"} the {others.length} fields that are not searched
          </button>
          {isAllShown && <div className="mt-2 border-t border-rule">{others.map((field) => row(field))}</div>}
        </>
      )}
      <Setup />
    </Screen>
  );
}
