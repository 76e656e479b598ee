import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { moment, plural } from "@ui/format";
import { useState } from "react";
import { z } from "zod";
import { useFact } from "../ask/useAsk";
import { useEntryForm } from "../forms/useEntryForm";
import { Empty, Screen, Section } from "../frame/Screen";
import { useBenchParts, useOpen } from "../state/bench";
import { person, usePerson } from "../state/person";
import { useWindowParts } from "../state/window";
import { ChangesByArea } from "./ChangesByArea";
import { GoBack } from "./GoBack";
import { History } from "./History";
import { RemoveStore } from "./RemoveStore";

const Filled = z.object({ note: z.string().max(2000), by: z.string().max(80) });

/** From draft to live, and back to what was. */
export default function Releases() {
  const { store, changes, releases, release } = useOpen("store", "changes", "releases", "release");
  const { releaseDraft } = useBenchParts("releaseDraft");
  const people = useFact("GET /api/stores/{store}/draft/changes", {})?.people ?? {};
  const [goingBack, setGoingBack] = useState<number | null>(null);
  const { set } = useWindowParts("set");
  const form = useEntryForm(Filled, { note: "", by: person() });
  const isBare = changes.length === 0 && release !== null;
  const send = form.sendWith(
    ({ note, by }) => {
      usePerson.getState().call(by);
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
            <ChangesByArea changes={changes} people={people} />
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
      <History />
      <Section title="What was released">
        {releases.length === 0 && <Empty>No release yet.</Empty>}
        <ol className="border-t border-rule">
          {releases.map((entry) => (
            <li key={entry.number} className="border-b border-rule py-1.5">
              <div className="flex min-h-6 items-center gap-3">
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
                  <Button
                    onClick={() => setGoingBack(goingBack === entry.number ? null : entry.number)}
                    aria-expanded={goingBack === entry.number}
                    aria-label={`Go back to release ${entry.number}`}
                  >
                    Go back to this
                  </Button>
                )}
              </div>
              {goingBack === entry.number && <GoBack number={entry.number} onEnd={() => setGoingBack(null)} />}
            </li>
          ))}
        </ol>
      </Section>
      <Section title="Backup" note="draft, releases, products and log of this store in one file">
        <p className="flex items-center gap-3 border-t border-rule pt-2 text-[13px] text-soft">
          <span className="min-w-0 flex-1">Whoever runs the server can restore it, here or on another machine.</span>
          <a
            href={`/api/stores/${store.id}/backup`}
            download
            className="inline-flex h-7 shrink-0 items-center rounded border border-rule bg-raised px-2.5 font-semibold text-ink no-underline hover:border-soft"
          >
            Download a backup
          </a>
        </p>
      </Section>
      <RemoveStore />
    </Screen>
  );
}
