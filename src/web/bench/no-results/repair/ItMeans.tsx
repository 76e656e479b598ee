import type { Repair, RepairCase } from "@contract/no-results";
import { Button } from "@ui/Button";
import { Select, TextInput } from "@ui/controls";
import { plural } from "@ui/format";
import { z } from "zod";
import { useFact } from "../../ask/useAsk";
import { useEntryForm } from "../../forms/useEntryForm";

const Meaning = z.object({
  words: z.string(),
  means: z
    .string()
    .max(200)
    .refine((text) => text.trim() !== "", "Say what it means."),
});

interface Props {
  entry: RepairCase;
  onTake: (repair: Pick<Repair, "entry">) => void;
}

/** A meaning of one's own: what was typed, or the word in it that is the matter, also finds what is said here. */
export function ItMeans({ entry: { text, weak }, onTake }: Props) {
  const parts = [...new Set([...(weak.length > 0 && weak.length < text.split(" ").length ? [weak.join(" "), ...weak] : []), text])];
  const form = useEntryForm(Meaning, { words: parts[0], means: "" });
  const { words, means } = form.value;
  const query = text.replace(words, means).trim();
  const found = useFact("POST /api/stores/{store}/search", means.trim() === "" ? null : { body: { query, limit: 0, source: "draft" } }, {
    pause: 200,
  });
  const send = form.sendWith(async ({ words, means }) => {
    const to = means
      .split(",")
      .map((word) => word.trim())
      .filter(Boolean);
    onTake({ entry: { part: "words", value: { does: "one-way", words: [words], to, quality: 0.9, on: true } } });
    return true;
  });
  return (
    <form onSubmit={send} className="flex flex-wrap items-center gap-2">
      {parts.length > 1 ? (
        <Select
          label="Word that is explained"
          value={words}
          options={parts.map((part) => ({ value: part, label: `“${part}”` }))}
          onChange={(next) => form.change({ words: next })}
        />
      ) : (
        <span className="font-semibold">“{text}”</span>
      )}
      <label className="flex min-w-[180px] flex-1 items-center gap-2">
        means
        <TextInput placeholder="a word that products say" className="flex-1" {...form.register("means")} />
      </label>
      {found && <span className="text-[12.5px] text-soft">finds {plural(found.total, "product")}</span>}
      <Button type="submit" disabled={form.why !== null} title={form.why ?? undefined}>
        Accept
      </Button>
    </form>
  );
}
