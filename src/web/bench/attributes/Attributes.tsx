import type { Attribute } from "@core/settings/schema";
import { pointerKey } from "@core/shelves/edit";
import { useState } from "react";
import { Screen } from "../frame/Screen";
import { type FieldInfo, useBench, useOpen } from "../state/bench";
import { AttributeRow } from "./AttributeRow";

const UNSEARCHED: Attribute = { searchable: false, weight: 1, early: false, length: "some", whole: false };

function change(key: string, part: Partial<Attribute>): void {
  const { open, edit } = useBench.getState();
  const old = open?.settings.attributes[key];
  void edit([{ op: old ? "replace" : "add", path: `/attributes/${pointerKey(key)}`, value: { ...UNSEARCHED, ...old, ...part } }]);
}

/** Which fields a search looks into, and how much each counts. */
export default function Attributes() {
  const { fields, settings, live } = useOpen();
  const [isAllShown, setAllShown] = useState(false);
  const searched = fields.filter((field) => settings.attributes[field.key]?.searchable || live.attributes[field.key]?.searchable);
  const others = fields.filter((field) => !searched.includes(field));
  const shown = [...searched].sort((a, b) => (live.attributes[b.key]?.weight ?? 0) - (live.attributes[a.key]?.weight ?? 0));
  const row = (field: FieldInfo) => (
    <AttributeRow
      key={field.key}
      field={field}
      attribute={settings.attributes[field.key] ?? UNSEARCHED}
      live={live.attributes[field.key]}
      onChange={change}
    />
  );
  return (
    <Screen
      title="Attributes"
      lead="Which fields a search looks into, and how much each one counts. Every change shows in the window at once."
    >
      <div className="border-t border-rule">{shown.map(row)}</div>
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
          {isAllShown && <div className="mt-2 border-t border-rule">{others.map(row)}</div>}
        </>
      )}
    </Screen>
  );
}
