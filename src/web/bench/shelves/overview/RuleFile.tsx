import type { ReadArrangements } from "@contract/shelves";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { addressOf } from "@ui/http";
import { useState } from "react";
import { TableFile } from "../../pieces/TableFile";
import { useBenchParts, useOpen } from "../../state/bench";

/** Shelves, redirects and hides from and to a file. What is read is looked at first. */
export function RuleFile({ onRead }: { onRead: (read: ReadArrangements & { name: string }) => void }) {
  const { store } = useOpen("store");
  return (
    <>
      <TableFile
        what="shelves and hides"
        from="GET /api/stores/{store}/shelves/rules.csv"
        to="POST /api/stores/{store}/shelves/read"
        accept=".csv,.json,text/csv,application/json"
        onRead={(read, name) => onRead({ ...read, name })}
      />
      <a
        href={addressOf("GET /api/stores/{store}/shelves/rules.json", { store: store.id })}
        download
        className="text-[12px] font-semibold text-soft no-underline hover:text-ink"
        title="Save shelves and hides as JSON"
      >
        JSON
      </a>
    </>
  );
}

const SHOWN = 8;

/** What a file would change, before it is taken over. */
export function FileChanges({ read, onDone }: { read: ReadArrangements & { name: string }; onDone: () => void }) {
  const { edit } = useBenchParts("edit");
  const [isWhole, setWhole] = useState(false);
  const { changes, same, operations, problems, name } = read;
  const shown = isWhole ? changes : changes.slice(0, SHOWN);
  return (
    <section aria-label={`What ${name} would change`} className="mt-2 border-y-2 border-press py-2 text-[13px]">
      <div className="flex flex-wrap items-center gap-2">
        <p className="min-w-0 flex-1">
          <b className="font-semibold">{name}</b>{" "}
          <span className="text-soft">
            {changes.length === 0 ? "changes nothing" : `changes ${plural(changes.length, "rule")}`}
            {same > 0 && `, ${same} are as they were`}
            {problems.length > 0 && `, ${plural(problems.length, "line")} cannot be read`}
          </span>
        </p>
        <Button look="bare" onClick={onDone}>
          Cancel
        </Button>
        {operations.length > 0 && (
          <Button
            look="main"
            onClick={() => {
              void edit(operations);
              onDone();
            }}
          >
            Accept {plural(operations.length, "change")}
          </Button>
        )}
      </div>
      <ul className="mt-1 max-h-56 overflow-y-auto">
        {problems.map(({ line, message }) => (
          <li key={`${line}${message}`} className="py-0.5 text-loss">
            Line {line}: {message}
          </li>
        ))}
        {shown.map(({ part, id, subject, text }) => (
          <li key={`${part}${id}`} className="flex gap-2 border-t border-rule py-0.5">
            <span className="min-w-0 flex-1 truncate">{subject}</span>
            <span className="text-soft">{text}</span>
          </li>
        ))}
      </ul>
      {!isWhole && changes.length > SHOWN && (
        <Button look="bare" className="!px-0" onClick={() => setWhole(true)}>
          {changes.length - SHOWN} more
        </Button>
      )}
    </section>
  );
}
