import type { PastEdit } from "@contract/draft";
import { type Change, describeChanges } from "@core/insights/changes/changes";
import type { Settings } from "@core/settings/schema";
import { Button } from "@ui/Button";
import { ago } from "@ui/format";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { Answered } from "../ask/Answered";
import { useAsk } from "../ask/useAsk";
import { applyPatch } from "../draft/apply-patch";
import { Empty, Section } from "../frame/Screen";
import { useTakeBack } from "../frame/useTakeBack";
import { placeOf } from "../frame/where";
import { labelsOf, useOpen } from "../state/bench";

const AT_ONCE = 20;
const MOST = 1000;

/** Every change of the draft, the latest first: when, who and what; each can be undone alone, and made again. */
export function History() {
  const [limit, setLimit] = useState(AT_ONCE);
  const asked = useAsk("GET /api/stores/{store}/draft/history", { query: { limit } });
  return (
    <Section title="History of the draft" note="each change can be undone alone">
      <Answered of={asked}>
        {(edits) =>
          edits.length === 0 ? (
            <Empty>Nothing was changed yet.</Empty>
          ) : (
            <>
              <Edits edits={edits} />
              {edits.length === limit && limit < MOST && (
                <Button className="mt-2" onClick={() => setLimit(Math.min(MOST, limit * 3))}>
                  Show earlier changes
                </Button>
              )}
            </>
          )
        }
      </Answered>
    </Section>
  );
}

interface Told {
  edit: PastEdit;
  changes: Change[];
}

/** What each edit changed, in words: the settings are followed back, edit by edit. */
export function tellEdits(settings: Settings, edits: readonly PastEdit[], labelOf: (key: string) => string): Told[] {
  let after = settings;
  return edits.map((edit) => {
    try {
      const before = applyPatch(after, edit.inverse);
      const changes = describeChanges(before, after, labelOf);
      after = before;
      return { edit, changes };
    } catch {
      // From before the draft was begun anew.
      return { edit, changes: [] };
    }
  });
}

function Edits({ edits }: { edits: readonly PastEdit[] }) {
  const { settings, fields, revision } = useOpen("settings", "fields", "revision");
  // An answer that is older than the draft is told once the next one is there.
  const isOfNow = edits[0].revision === revision;
  const told = useMemo(() => (isOfNow ? tellEdits(settings, edits, labelsOf(fields)) : null), [settings, fields, edits, isOfNow]);
  const [last, setLast] = useState<Told[]>([]);
  if (told && told !== last) setLast(told);
  const undoneBy = new Map(edits.filter(({ kind }) => kind === "undo").map((edit) => [edit.target, edit]));
  return (
    <ol className="border-t border-rule">
      {(told ?? last).map(({ edit, changes }) => (
        <EditLine key={edit.revision} edit={edit} changes={changes} undoneBy={undoneBy.get(edit.revision)?.by ?? null} />
      ))}
    </ol>
  );
}

const KINDS = { edit: "", undo: "Undone: ", redo: "Redone: " };

function EditLine({ edit, changes, undoneBy }: Told & { undoneBy: string | null }) {
  const { store } = useOpen("store");
  const { undo, redo } = useTakeBack();
  const [first, ...more] = changes;
  const text = first ? `${first.text}${more.length > 0 ? `, and ${more.length} more` : ""}` : "";
  return (
    <li className="flex min-h-9 items-center gap-3 border-b border-rule py-1 text-[13px]">
      <span className="w-[86px] shrink-0 text-[12.5px] text-soft">{ago(edit.at)}</span>
      <span className={`min-w-0 flex-1 [overflow-wrap:anywhere] ${edit.isUndone ? "text-soft line-through" : ""}`}>
        {KINDS[edit.kind]}
        {first ? (
          <Link to={`/bench/${store.id}/${placeOf(first)}`} className="font-semibold text-ink no-underline hover:text-press">
            {first.subject}
          </Link>
        ) : (
          <b className="font-semibold">{edit.by === "import" ? "New fields of the catalogue" : "Settings"}</b>
        )}{" "}
        <span className="text-soft">{text}</span>
      </span>
      <span className="max-w-[26%] shrink-0 truncate text-[12.5px] text-soft">{edit.by === "import" ? "Import" : edit.by}</span>
      <span className="w-[82px] shrink-0 text-right">
        {edit.kind === "edit" &&
          edit.by !== "import" &&
          (edit.isUndone ? (
            <Button
              className="!h-6"
              title={undoneBy && undoneBy !== edit.by ? `Undone by ${undoneBy}` : "Undone"}
              onClick={() => void redo(edit.revision)}
            >
              Redo
            </Button>
          ) : (
            <Button className="!h-6" onClick={() => void undo(edit.revision)}>
              Undo
            </Button>
          ))}
      </span>
    </li>
  );
}
