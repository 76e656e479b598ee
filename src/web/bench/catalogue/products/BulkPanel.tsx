import type { Value } from "@core/catalogue/types";
import { Button } from "@ui/Button";
import { Select, TextInput } from "@ui/controls";
import { plural } from "@ui/format";
import { sayError } from "@ui/http";
import { useState } from "react";
import { useAsk } from "../../ask/useAsk";
import { useOpen } from "../../state/bench";
import { type BulkChange, changeMany, whichOf } from "./bulk";
import { useTable } from "./state";

const ACTIONS = [
  { value: "add", label: "Add tags" },
  { value: "remove", label: "Remove tags" },
  { value: "set", label: "Set a field" },
  { value: "boost", label: "Raise or lower" },
  { value: "hide", label: "Hide everywhere" },
  { value: "drop", label: "Drop what was set by hand" },
];

/** Changes all chosen products in one step, after saying how many it would change. */
export function BulkPanel({ number }: { number: number }) {
  const { store, fields } = useOpen("store", "fields");
  const { chosen, search, condition, chooseAll } = useTable();
  const settable = fields.filter((field) => field.type !== "path" && field.role !== "tags");
  const [action, setAction] = useState("add");
  const [field, setField] = useState(settable[0]?.key ?? "");
  const [text, setText] = useState("");
  const [refusal, setRefusal] = useState<string | null>(null);
  const change = changeFor(
    action,
    text,
    fields.find((entry) => entry.key === field),
  );
  const which = whichOf({ chosen, search, condition });
  const trial = useAsk("POST /api/stores/{store}/products/bulk", change && { body: { which, change, dry: true } }, { pause: 150 });
  const preview = change && trial.data ? trial.data.changed : null;
  const failure = refusal ?? (trial.error ? sayError(trial.error) : null);
  const isTyped = action === "add" || action === "remove" || action === "set" || action === "boost";
  return (
    <form
      className="flex flex-wrap items-center gap-2 border-y border-draft-mark bg-draft-soft px-2 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (!change || preview === 0) return;
        void changeMany(store.id, which, change).then(
          () => chooseAll(false),
          (error) => setRefusal(sayError(error)),
        );
      }}
    >
      <Select label="What to do with the chosen products" value={action} options={ACTIONS} onChange={setAction} />
      {action === "set" && (
        <Select
          label="Field to set"
          className="max-w-36"
          value={field}
          options={settable.map((entry) => ({ value: entry.key, label: entry.label }))}
          onChange={setField}
        />
      )}
      {isTyped && (
        <TextInput
          aria-label={action === "boost" ? "Strength in per cent" : action === "set" ? "Value" : "Tags"}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setRefusal(null);
          }}
          placeholder={action === "boost" ? "+20 or −30 %" : action === "set" ? "value; empty clears it" : "several, with commas"}
          className="min-w-24 flex-1"
        />
      )}
      <Button look="main" type="submit" disabled={!change || preview === null || preview === 0}>
        {preview === null ? "Change" : preview === 0 ? "Nothing to change" : `Change ${plural(preview, "product")}`}
      </Button>
      {failure && (
        <p role="alert" className="w-full text-[12.5px] text-loss">
          {failure}
        </p>
      )}
      {!failure && change && preview !== null && preview < number && preview > 0 && (
        <p className="w-full text-[12.5px] text-soft">{plural(number - preview, "product")} of those chosen already have it so.</p>
      )}
    </form>
  );
}

function changeFor(action: string, text: string, field: { key: string; type: string } | undefined): BulkChange | null {
  const words = text
    .split(",")
    .map((word) => word.trim())
    .filter(Boolean);
  switch (action) {
    case "add":
      return words.length > 0 ? { addTags: words } : null;
    case "remove":
      return words.length > 0 ? { removeTags: words } : null;
    case "hide":
      return { hide: true };
    case "drop":
      return { drop: true };
    case "boost": {
      const percent = Number(text.replace(/[%\s]/g, "").replace("−", "-").replace(",", "."));
      return text.trim() === "" || Number.isNaN(percent) || percent <= -100
        ? null
        : { boost: percent === 0 ? null : Number((1 + percent / 100).toFixed(4)) };
    }
    default: {
      if (!field) return null;
      const value = readTyped(text, field.type);
      return value === undefined ? null : { set: { [field.key]: value } };
    }
  }
}

/** A typed text as a value of a type; null empties the field, undefined is no value of it. */
export function readTyped(text: string, type: string): Value | null | undefined {
  const plain = text.trim();
  if (plain === "") return null;
  if (type === "number") {
    const number = Number(plain.replace(",", "."));
    return Number.isNaN(number) ? undefined : number;
  }
  if (type === "flag") return /^(yes|y|true|1|ja)$/i.test(plain) ? true : /^(no|n|false|0|nein)$/i.test(plain) ? false : undefined;
  if (type === "list")
    return plain
      .split(",")
      .map((entry) => entry.trim())
      .filter(Boolean);
  return plain;
}
