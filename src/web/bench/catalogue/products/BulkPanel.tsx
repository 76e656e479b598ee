import type { Value } from "@core/catalogue/types";
import { isOfFeed } from "@core/catalogue/types";
import { Button } from "@ui/Button";
import { Select, TextInput } from "@ui/controls";
import { plural } from "@ui/format";
import { sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { z } from "zod";
import { useAsk } from "../../ask/useAsk";
import { useEntryForm } from "../../forms/useEntryForm";
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

const Filled = z.object({ action: z.string(), field: z.string(), text: z.string() });

/** Changes all chosen products in one step, after saying how many it would change. */
export function BulkPanel({ number }: { number: number }) {
  const { store, fields } = useOpen("store", "fields");
  const { chosen, search, condition, chooseAll } = useTable();
  const settable = fields.filter((field) => isOfFeed(field) && field.type !== "path" && field.role !== "tags");
  const form = useEntryForm(Filled, { action: "add", field: settable[0]?.key ?? "", text: "" });
  const { action, field, text } = form.value;
  const typed = changeFor(
    action,
    text,
    fields.find((entry) => entry.key === field),
  );
  const change = typeof typed === "string" ? null : typed;
  const which = whichOf({ chosen, search, condition });
  const trial = useAsk("POST /api/stores/{store}/products/bulk", change && { body: { which, change, dry: true } }, { pause: 150 });
  const preview = change && trial.data ? trial.data.changed : null;
  const why = typeof typed === "string" ? typed : preview === 0 ? "All of them have it so already." : form.why;
  const send = form.sendWith(
    async () => {
      if (!change || why !== null) return false;
      try {
        await changeMany(store.id, which, change);
        return true;
      } catch (error) {
        toast.error(sayError(error));
        return false;
      }
    },
    { onDone: () => chooseAll(false) },
  );
  const isTyped = action === "add" || action === "remove" || action === "set" || action === "boost";
  return (
    <form className="flex flex-wrap items-center gap-2 border-y border-draft-mark bg-draft-soft px-2 py-1.5" onSubmit={send}>
      <Select label="What to do with the chosen products" value={action} options={ACTIONS} onChange={(action) => form.change({ action })} />
      {action === "set" && (
        <Select
          label="Field to set"
          className="max-w-36"
          value={field}
          options={settable.map((entry) => ({ value: entry.key, label: entry.label }))}
          onChange={(field) => form.change({ field })}
        />
      )}
      {isTyped && (
        <TextInput
          aria-label={action === "boost" ? "Strength in per cent" : action === "set" ? "Value" : "Tags"}
          placeholder={action === "boost" ? "+20 or −30 %" : action === "set" ? "value; empty clears it" : "several, with commas"}
          className="min-w-24 flex-1"
          {...form.register("text")}
        />
      )}
      <Button look="main" type="submit" disabled={why !== null || preview === null}>
        {preview ? `Change ${plural(preview, "product")}` : "Change"}
      </Button>
      {trial.error ? (
        <p role="alert" className="w-full text-[12.5px] text-loss">
          {sayError(trial.error)}
        </p>
      ) : (
        (why !== null || (preview !== null && preview < number)) && (
          <p role="status" className="w-full text-[12.5px] text-soft">
            {why ?? `${plural(number - (preview ?? 0), "product")} of those chosen already have it so.`}
          </p>
        )
      )}
    </form>
  );
}

/** The change that is filled in, or what is missing of it. */
function changeFor(action: string, text: string, field: { key: string; type: string } | undefined): BulkChange | string {
  const words = text
    .split(",")
    .map((word) => word.trim())
    .filter(Boolean);
  switch (action) {
    case "add":
      return words.length > 0 ? { addTags: words } : "Type the tags to add.";
    case "remove":
      return words.length > 0 ? { removeTags: words } : "Type the tags to remove.";
    case "hide":
      return { hide: true };
    case "drop":
      return { drop: true };
    case "boost": {
      const percent = Number(text.replace(/[%\s]/g, "").replace("−", "-").replace(",", "."));
      return text.trim() === "" || Number.isNaN(percent) || percent <= -100
        ? "Type a strength above −100 %, such as +20."
        : { boost: percent === 0 ? null : Number((1 + percent / 100).toFixed(4)) };
    }
    default: {
      if (!field) return "Choose a field.";
      const value = readTyped(text, field.type);
      return value === undefined ? `That is no ${field.type === "number" ? "number" : "yes or no"}.` : { set: { [field.key]: value } };
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
