import type { Change } from "@core/insights/changes/changes";
import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { moment, plural } from "@ui/format";
import { Link } from "react-router";
import { z } from "zod";
import { useEntryForm } from "../forms/useEntryForm";
import { AREAS } from "../frame/areas";
import { Empty, Screen, Section } from "../frame/Screen";
import { Diamond } from "../frame/TopBar";
import { useBenchParts, useOpen } from "../state/bench";
import { person } from "../state/person";
import { useWindowParts } from "../state/window";

const Filled = z.object({ note: z.string().max(2000), by: z.string().max(80) });

/** From draft to live, and back to what was. */
export default function Releases() {
  const { changes, releases, release } = useOpen("changes", "releases", "release");
  const { releaseDraft, restore } = useBenchParts("releaseDraft", "restore");
  const { set } = useWindowParts("set");
  const form = useEntryForm(Filled, { note: "", by: person.get() });
  const isBare = changes.length === 0 && release !== null;
  const send = form.sendWith(
    ({ note, by }) => {
      person.set(by.trim() || "Merchandiser");
      return releaseDraft(note.trim());
    },
    { after: { note: "", by: form.value.by } },
  );
  return (
    <Screen
      title="Releases"
      lead="Changes stay in the draft until you release them. Every release is kept, and the shop can go back to any of them."
    >
      <Section title="Not live yet" note={changes.length > 0 && plural(changes.length, "change")}>
        {changes.length === 0 ? (
          <Empty>
            {release === null
              ? "Nothing has been released yet; the shop works with the set-up it started from."
              : `No unreleased changes. Live: release ${release}.`}
          </Empty>
        ) : (
          <>
            <ul className="border-t border-rule">
              {changes.map((change) => (
                <ChangeLine key={`${change.part}/${change.id}`} change={change} />
              ))}
            </ul>
            <Button className="mt-2" onClick={() => set({ mode: "both" })}>
              See draft and live side by side
            </Button>
          </>
        )}
        <form onSubmit={send} className="mt-3 flex flex-wrap items-end gap-2">
          <label className="flex min-w-[200px] flex-1 flex-col gap-0.5 text-[12.5px] text-soft">
            Note
            <TextInput placeholder="What this release is for" maxLength={2000} isTall {...form.register("note")} />
          </label>
          <label className="flex w-[130px] flex-col gap-0.5 text-[12.5px] text-soft">
            By
            <TextInput maxLength={80} isTall {...form.register("by")} />
          </label>
          <Button look="main" type="submit" disabled={isBare || form.why !== null} className="!h-8">
            {changes.length > 0 ? `Release ${plural(changes.length, "change")}` : "Release"}
          </Button>
          {isBare && <p className="basis-full text-[12.5px] text-soft">There is nothing to release: the draft is live already.</p>}
        </form>
      </Section>
      <Section title="What was released">
        {releases.length === 0 && <Empty>No release yet.</Empty>}
        <ol className="border-t border-rule">
          {releases.map((entry) => (
            <li key={entry.number} className="flex min-h-9 items-center gap-3 border-b border-rule py-1.5">
              <b className="w-7 text-right font-head text-[16px]">{entry.number}</b>
              <div className="min-w-0 flex-1">
                <p className="truncate font-semibold">{entry.note || "No note"}</p>
                <p className="text-[12.5px] text-soft">
                  {entry.by}, {moment(entry.at)}
                </p>
              </div>
              {entry.number === release ? (
                <span className="font-semibold text-live">live now</span>
              ) : (
                <Button onClick={() => void restore(entry.number)} aria-label={`Go back to release ${entry.number}`}>
                  Go back to this
                </Button>
              )}
            </li>
          ))}
        </ol>
      </Section>
    </Screen>
  );
}

function ChangeLine({ change }: { change: Change }) {
  const { store } = useOpen("store");
  const area = AREAS.find((entry) => entry.parts.includes(change.part));
  return (
    <li className="flex min-h-9 items-center gap-2.5 border-b border-rule py-1">
      <Diamond />
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{change.subject}</b> <span className="text-soft">{change.text}</span>
      </span>
      {area && (
        <Link to={`/bench/${store.id}/${area.path}`} className="text-[13px] text-soft hover:text-ink">
          {area.name}
        </Link>
      )}
    </li>
  );
}
