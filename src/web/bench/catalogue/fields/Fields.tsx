import type { FieldReport } from "@core/catalogue/field-report";
import { Segments } from "@ui/controls";
import { plural } from "@ui/format";
import { call } from "@ui/http";
import { useCallback, useEffect, useState } from "react";
import { Screen } from "../../frame/Screen";
import { SaveAs } from "../../pieces/SaveAs";
import { useOpen } from "../../state/bench";
import { FieldRow } from "./FieldRow";

/** A page of facts: what each field holds, where it is used, and what is odd about it. */
export default function Fields() {
  const { store, revision } = useOpen("store", "revision");
  const [fields, setFields] = useState<FieldReport[] | null>(null);
  const [shown, setShown] = useState<"all" | "odd">("all");
  const [opened, setOpened] = useState<string | null>(null);
  const load = useCallback(() => call<FieldReport[]>(`/api/stores/${store.id}/fields/report`).then(setFields, () => undefined), [store.id]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: uses and warnings change with the settings
  useEffect(() => {
    void load();
  }, [load, revision]);
  if (!fields) return null;
  const odd = fields.filter((field) => field.warnings.length > 0);
  return (
    <Screen
      title="Fields"
      lead={`${plural(fields.length, "field")}, ${odd.length === 0 ? "none of them odd" : `${odd.length} with something to look at`}. What each one holds, and where it is used.`}
      action={
        <Segments
          label="Which fields are shown"
          value={shown}
          onChange={setShown}
          options={[
            { value: "all", label: "All" },
            { value: "odd", label: `To look at ${odd.length}` },
          ]}
        />
      }
    >
      <div className="mb-1 flex">
        <SaveAs path={`/api/stores/${store.id}/export/fields`} formats={["csv", "jsonl"]} />
      </div>
      <div className="border-t border-rule">
        {(shown === "all" ? fields : odd).map((field) => (
          <FieldRow
            key={field.key}
            field={field}
            isOpen={opened === field.key}
            onOpen={() => setOpened(opened === field.key ? null : field.key)}
            onChanged={load}
          />
        ))}
      </div>
    </Screen>
  );
}
