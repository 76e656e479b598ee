import type { GroupableField, ProposedGroup } from "@contract/words";
import { lookUp, setOwn } from "@core/records";
import { add, freeId } from "@core/settings/patch";
import { labelIn } from "@core/settings/ranked";
import { Button } from "@ui/Button";
import { Select } from "@ui/controls";
import { plural } from "@ui/format";
import { useState } from "react";
import { Answered } from "../../ask/Answered";
import { ScreenSkeleton } from "../../ask/Skeleton";
import { useAsk } from "../../ask/useAsk";
import { Empty, Screen, Section } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { AddLine } from "../../pieces/AddLine";
import { useAllValues } from "../../pieces/useFieldValues";
import { useBenchParts, useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { Dot } from "./Dot";
import { GroupRow } from "./GroupRow";

/** Many raw values under one label, in search and in filters alike. */
export default function Groups() {
  const groupable = useAsk("GET /api/stores/{store}/groups/proposals", {});
  return (
    <Answered of={groupable} loading={<ScreenSkeleton />}>
      {(fields) => <Grouped fields={fields} />}
    </Answered>
  );
}

function Grouped({ fields }: { fields: readonly GroupableField[] }) {
  const { settings, store } = useOpen("settings", "store");
  const { edit } = useBenchParts("edit");
  const [field, setField] = useState<string | null>(null);
  const [open] = useOpenRow();
  const used = (lookUp(settings.groups, open ?? "") ?? Object.values(settings.groups)[0])?.field;
  const first = fields.find(({ proposals }) => proposals.length > 0) ?? fields[0];
  const chosen = fields.find(({ key }) => key === (field ?? used)) ?? first;
  if (!chosen) {
    return (
      <Screen title="Value groups" lead={LEAD}>
        <Empty>No field has values that could be grouped yet. Import a catalogue with colours, materials or kinds.</Empty>
      </Screen>
    );
  }
  const addAll = (made: { label: string; colour: string | null; values: string[] }[]) => {
    const taken: Record<string, unknown> = { ...settings.groups };
    const language = store.locale.split("-")[0];
    return edit(
      made.map(({ label, colour, values }) => {
        const id = freeId(taken, `${chosen.key}-${label}`);
        setOwn(taken, id, true);
        return add(["groups", id], { field: chosen.key, label: { [language]: label }, colour, values, on: true });
      }),
    );
  };
  return (
    <Screen
      title="Value groups"
      lead={LEAD}
      action={
        <Select value={chosen.key} label="Field" options={fields.map(({ key, label }) => ({ value: key, label }))} onChange={setField} />
      }
    >
      <FieldGroups key={chosen.key} field={chosen.key} label={chosen.label} proposals={chosen.proposals} onAdd={addAll} />
    </Screen>
  );
}

const LEAD =
  "Many values under one label: shoppers who search or filter for red find crimson and claret. The feed's values stay as they are.";

interface FieldProps {
  field: string;
  label: string;
  proposals: ProposedGroup[];
  onAdd: (groups: { label: string; colour: string | null; values: string[] }[]) => Promise<boolean>;
}

function FieldGroups({ field, label, proposals, onAdd }: FieldProps) {
  const { settings, store } = useOpen("settings", "store");
  const { try: tryQuery } = useWindowParts("try");
  const values = useAllValues(field);
  const groups = Object.entries(settings.groups).filter(([, group]) => group.field === field);
  const grouped = new Set(groups.flatMap(([, group]) => group.values));
  const loose = values.filter(({ value }) => !grouped.has(value));
  return (
    <>
      <ul className="border-t border-rule">
        {groups
          .sort(([, a], [, b]) => labelIn(a.label, store.locale, "").localeCompare(labelIn(b.label, store.locale, "")))
          .map(([id, group]) => (
            <GroupRow key={id} id={id} group={group} values={values} loose={loose} />
          ))}
      </ul>
      {groups.length === 0 && <Empty>{label} has no groups yet.</Empty>}
      <AddLine
        label="Name of a new group"
        placeholder="Name of a new group"
        verb="Make the group"
        className="mt-2.5 w-72"
        onAdd={(label) => onAdd([{ label, colour: null, values: [] }])}
      />
      {proposals.length > 0 && (
        <Section
          title="Proposed"
          note={
            <>
              by how colours look ·{" "}
              <button type="button" className="font-semibold text-press" onClick={() => void onAdd(proposals)}>
                Make all {proposals.length}
              </button>
            </>
          }
        >
          <ul className="border-t border-rule">
            {proposals.map((proposal) => (
              <li key={proposal.label} className="flex min-h-9 items-center gap-2.5 border-b border-rule py-1.5 text-[13px]">
                <Dot colour={proposal.colour} />
                <b className="w-16 shrink-0">{proposal.label}</b>
                <span className="min-w-0 flex-1 truncate text-soft" title={proposal.values.join(", ")}>
                  {proposal.values.join(", ")}
                </span>
                <span className="shrink-0 text-[12px] text-soft">{plural(proposal.products, "product")}</span>
                <Button onClick={() => void onAdd([proposal])}>Make it</Button>
              </li>
            ))}
          </ul>
        </Section>
      )}
      {loose.length > 0 && (
        <Section title="Ungrouped" note={`${plural(loose.length, "value")}; each on its own`}>
          <p className="flex flex-wrap gap-x-3 gap-y-1 border-t border-rule pt-2 text-[13px]">
            {loose.slice(0, 120).map(({ value, products }) => (
              <button
                key={value}
                type="button"
                className="hover:text-press"
                onClick={() => tryQuery(value)}
                title={`Try “${value}” in the window`}
              >
                {value} <span className="text-[12px] text-soft">{products}</span>
              </button>
            ))}
            {loose.length > 120 && <span className="text-soft">and {loose.length - 120} more</span>}
          </p>
        </Section>
      )}
    </>
  );
}
