import type { ReadWords } from "@contract/words";
import { add } from "@core/settings/patch";
import { plural } from "@ui/format";
import { toast } from "@ui/toast";
import { sayProblems, TableFile } from "../pieces/TableFile";
import { useBenchParts } from "../state/bench";

/** Word rules from and to a table file. What comes in is one edit that undo takes back. */
export function WordFile() {
  const { edit } = useBenchParts("edit");
  const take = async ({ rules, known, problems }: ReadWords, name: string) => {
    const added = Object.entries(rules);
    if (added.length > 0) await edit(added.map(([id, rule]) => add(["words", id], rule)));
    const said = [
      `${plural(added.length, "rule")} added from ${name}.`,
      known > 0 && `${known} were there already.`,
      problems.length > 0 && `${plural(problems.length, "line")} left out: ${sayProblems(problems)}`,
    ];
    (problems.length > 0 ? toast.warning : toast.success)(said.filter(Boolean).join(" "), { duration: 10_000 });
  };
  return (
    <TableFile what="word rules" from="GET /api/stores/{store}/words/rules.csv" to="POST /api/stores/{store}/words/read" onRead={take} />
  );
}
