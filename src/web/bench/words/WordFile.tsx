import type { Settings } from "@core/settings/schema";
import { pointerKey } from "@core/shelves/edit";
import { plural } from "@ui/format";
import { toast } from "sonner";
import { sayProblems, TableFile } from "../pieces/TableFile";
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
  const take = async ({ rules, known, problems }: ReadWords, name: string) => {
    const added = Object.entries(rules);
    if (added.length > 0) await edit(added.map(([id, rule]) => ({ op: "add", path: `/words/${pointerKey(id)}`, value: rule })));
    const said = [
      `${plural(added.length, "rule")} added from ${name}.`,
      known > 0 && `${known} were there already.`,
      problems.length > 0 && `${plural(problems.length, "line")} left out: ${sayProblems(problems)}`,
    ];
    (problems.length > 0 ? toast.warning : toast.success)(said.filter(Boolean).join(" "), { duration: 10_000 });
  };
  const base = `/api/stores/${store.id}/words`;
  return <TableFile<ReadWords> what="word rules" from={`${base}/rules.csv`} to={`${base}/read`} onRead={take} />;
}
