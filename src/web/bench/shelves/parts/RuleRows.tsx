import { inRankOrder } from "@core/settings/ranked";
import { type Shelf, ShelfRule } from "@core/settings/shelf";
import { Button, IconButton } from "@ui/Button";
import { Select, Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { ChevronDown, Trash2 } from "lucide-react";
import { useState } from "react";
import { z } from "zod";
import { EntryShell } from "../../forms/EntryShell";
import { useEntryForm } from "../../forms/useEntryForm";
import { BLANK, isBlank } from "../../pieces/conditions/blank";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { NumberLine } from "../../pieces/NumberLine";
import { toFactor, toPercent } from "../../ranking/boosts/strength";
import { useReach } from "../../ranking/boosts/useReach";
import { useOpen } from "../../state/bench";
import { type ShelfChange, withNewRule, withoutRule, withRule } from "../edits";
import { sayRule } from "./say";

interface Props {
  shelf: Shelf | null;
  onChange: ShelfChange;
}

const DEEDS: readonly { value: ShelfRule["does"]; label: string }[] = [
  { value: "strength", label: "raise or lower" },
  { value: "first", label: "put first" },
  { value: "last", label: "put last" },
  { value: "exclude", label: "exclude" },
];

/** What is done on the shelf to all products of a condition. */
export function RuleRows({ shelf, onChange }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const [isNew, setNew] = useState(false);
  const rules = inRankOrder(shelf?.rules ?? {});
  return (
    <div>
      <ul>
        {rules.map(([id, rule]) => (
          <RuleRow
            key={id}
            id={id}
            rule={rule}
            isOpen={open === id}
            onOpen={() => setOpen(open === id ? null : id)}
            onChange={(next) => void onChange((own) => withRule(own, id, next))}
            onRemove={() => void onChange((own) => withoutRule(own, id))}
          />
        ))}
      </ul>
      {isNew ? (
        <NewRule onAdd={(rule) => onChange((own) => withNewRule(own, rule))} onDone={() => setNew(false)} />
      ) : (
        <Button look="bare" className="!px-0" onClick={() => setNew(true)}>
          + Rule
        </Button>
      )}
    </div>
  );
}

interface RowProps {
  id: string;
  rule: ShelfRule;
  isOpen: boolean;
  onOpen: () => void;
  onChange: (rule: ShelfRule) => void;
  onRemove: () => void;
}

function RuleRow({ id, rule, isOpen, onOpen, onChange, onRemove }: RowProps) {
  const { fields, settings } = useOpen("fields", "settings");
  const reach = useReach({ condition: rule.condition });
  const words = sayCondition(rule.condition, fields, settings.selections);
  return (
    <li className="border-b border-rule py-1.5">
      <div className={`flex items-center gap-2 ${rule.on ? "" : "text-soft"}`}>
        <button type="button" aria-expanded={isOpen} onClick={onOpen} className="flex min-w-0 flex-1 items-center gap-2 text-left">
          <b className="shrink-0 font-semibold">{sayRule(rule)}</b>
          <span className="min-w-0 flex-1 truncate">{words}</span>
          <span className={`shrink-0 text-[12px] ${reach?.products === 0 ? "text-loss" : "text-soft"}`}>
            {reach && plural(reach.products, "product")}
          </span>
          <ChevronDown className={`size-4 shrink-0 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
        </button>
        <Toggle checked={rule.on} label={`Rule ${words}: on`} onChange={(on) => onChange({ ...rule, on })} />
        <IconButton label={`Remove the rule ${words}`} onClick={onRemove} className="!size-6">
          <Trash2 className="size-3.5" />
        </IconButton>
      </div>
      {isOpen && (
        <div className="mt-1.5" data-rule={id}>
          <Deed rule={rule} onChange={onChange} />
          <div className="mt-1.5">
            <ConditionBuilder value={rule.condition} onChange={(condition) => !isBlank(condition) && onChange({ ...rule, condition })} />
          </div>
        </div>
      )}
    </li>
  );
}

type New = ShelfRule extends infer R ? (R extends unknown ? Omit<R, "rank"> : never) : never;

const Filled = z
  .object({ rule: ShelfRule })
  .refine(({ rule }) => !isBlank(rule.condition), "Choose products: a brand, what is new, what has no picture …");
const START: z.infer<typeof Filled> = { rule: { does: "strength", factor: 1.5, condition: BLANK, on: true, rank: "a" } };

interface NewProps {
  /** @returns whether the rule was taken. */
  onAdd: (rule: New) => Promise<boolean>;
  onDone: () => void;
}

function NewRule({ onAdd, onDone }: NewProps) {
  const form = useEntryForm(Filled, START);
  const { rule } = form.value;
  const change = (next: ShelfRule) => form.change({ rule: next });
  const reach = useReach(isBlank(rule.condition) ? null : { condition: rule.condition });
  const send = form.sendWith(({ rule: { rank: _rank, ...made } }) => onAdd(made as New), { onDone });
  return (
    <EntryShell
      form={form}
      label="New rule"
      verb="Add the rule"
      onSubmit={send}
      onCancel={onDone}
      isInset
      status={reach && `for ${plural(reach.products, "product")}`}
    >
      <Deed rule={rule} onChange={change} />
      <div className="mt-1.5">
        <ConditionBuilder value={rule.condition} onChange={(condition) => change({ ...rule, condition })} />
      </div>
    </EntryShell>
  );
}

function Deed({ rule, onChange }: { rule: ShelfRule; onChange: (rule: ShelfRule) => void }) {
  const { condition, on, rank } = rule;
  const common = { condition, on, rank };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Select
        label="What is done"
        value={rule.does}
        options={DEEDS}
        onChange={(does) => {
          if (does === "strength") onChange({ ...common, does, factor: 1.5 });
          else if (does === "first") onChange({ ...common, does, most: null });
          else if (does === "last" || does === "exclude") onChange({ ...common, does });
        }}
        className="w-32"
      />
      {rule.does === "strength" && (
        <>
          by
          <NumberLine
            label="Strength in per cent"
            value={toPercent(rule.factor)}
            min={-99}
            max={9900}
            onCommit={(percent) => onChange({ ...rule, factor: toFactor(percent) })}
          />
          %
        </>
      )}
      {rule.does === "first" && (
        <>
          at most
          <NumberLine
            label="Put first at most"
            value={rule.most}
            min={1}
            max={1000}
            placeholder="all"
            onCommit={(most) => onChange({ ...rule, most })}
            onEmpty={() => onChange({ ...rule, most: null })}
          />
          of the best
        </>
      )}
    </div>
  );
}
