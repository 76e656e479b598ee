import type { Settings } from "@core/settings/schema";
import { pointerKey } from "@core/shelves/edit";
import { IconButton } from "@ui/Button";
import { plural } from "@ui/format";
import { HttpError, upload } from "@ui/http";
import { Download, Upload } from "lucide-react";
import { useRef } from "react";
import { toast } from "sonner";
import { useBenchParts, useOpen } from "../state/bench";

interface ReadWords {
  rules: Settings["words"];
  known: number;
  problems: { line: number; message: string }[];
}

/** Word rules from and to a table file. What comes in is one edit that undo takes back. */
export function WordFile() {
  const { store } = useOpen("store");
  const { edit } = useBenchParts("edit");
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File) => {
    try {
      const { rules, known, problems } = await upload<ReadWords>(`/api/stores/${store.id}/words/read`, file, () => undefined);
      const added = Object.entries(rules);
      if (added.length > 0) await edit(added.map(([id, rule]) => ({ op: "add", path: `/words/${pointerKey(id)}`, value: rule })));
      const said = [
        `${plural(added.length, "rule")} added from ${file.name}.`,
        known > 0 && `${known} were there already.`,
        problems.length > 0 &&
          `${plural(problems.length, "line")} left out: ${problems
            .slice(0, 3)
            .map(({ line, message }) => `line ${line}, ${message}`)
            .join("; ")}`,
      ];
      (problems.length > 0 ? toast.warning : toast.success)(said.filter(Boolean).join(" "), { duration: 10_000 });
    } catch (error) {
      toast.error(error instanceof HttpError ? error.message : "The file could not be read.");
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        aria-label="Table of word rules"
        className="hidden"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void read(file);
          event.target.value = "";
        }}
      />
      <IconButton label="Add rules from a CSV file" onClick={() => input.current?.click()}>
        <Upload className="size-4" />
      </IconButton>
      <a
        href={`/api/stores/${store.id}/words/rules.csv`}
        download
        aria-label="Save the rules as CSV"
        title="Save the rules as CSV"
        className="inline-flex size-7 items-center justify-center rounded text-soft hover:bg-press-soft hover:text-ink"
      >
        <Download className="size-4" />
      </a>
    </>
  );
}
