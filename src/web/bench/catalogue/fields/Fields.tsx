import type { FieldReport } from "@contract/fields";
import { Segments } from "@ui/controls";
import { plural } from "@ui/format";
import { useState } from "react";
import { Answered } from "../../ask/Answered";
import { ScreenSkeleton } from "../../ask/Skeleton";
import { useAsk } from "../../ask/useAsk";
import { Screen } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { SaveAs } from "../../pieces/SaveAs";
import { useOpen } from "../../state/bench";
import { FieldRow } from "./FieldRow";

/** A page of facts: what each field holds, where it is used, and what is odd about it. */
export default function Fields() {
  return (
    <Answered of={useAsk("GET /api/stores/{store}/fields/report", {})} loading={<ScreenSkeleton />}>
      {(fields) => <Report fields={fields} />}
    </Answered>
  );
}

function Report({ fields }: { fields: readonly FieldReport[] }) {
  const { store } = useOpen("store");
  const [shown, setShown] = useState<"all" | "odd">("all");
  const [opened, setOpened] = useOpenRow();
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
          />
        ))}
      </div>
    </Screen>
  );
}
