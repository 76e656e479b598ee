import { lookUp } from "@core/records";
import type { Badge } from "@core/settings/page/badge";
import { inRankOrder } from "@core/settings/ranked";
import { Button } from "@ui/Button";
import { Empty, Screen } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { Diamond } from "../../pieces/Diamond";
import { useLanguage } from "../../pieces/LabelLine";
import { NumberLine } from "../../pieces/NumberLine";
import { SortableList } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { addEntry, moveEntry, setPage } from "../edits";
import { usePageFacts } from "../usePageFacts";
import { BadgeRow } from "./BadgeRow";
import { proposedBadges } from "./proposals";

const LEAD = "Short remarks on products that meet a condition. The first matches show, up to the limit.";

/** All badges in the order in which they show. */
export default function Badges() {
  const { settings, live, fields } = useOpen("settings", "live", "fields");
  const facts = usePageFacts();
  const { language, choice } = useLanguage();
  const [open, setOpen] = useOpenRow();
  const { badges, mostBadges } = settings.page;
  const entries = inRankOrder({ ...badges });
  const add = (id: string, badge: Omit<Badge, "rank">) => setOpen(addEntry("badges", id, badge));
  const proposals = proposedBadges(fields, language).filter(({ badge }) => !entries.some(([, { name }]) => name === badge.name));
  return (
    <Screen
      title="Badges"
      lead={LEAD}
      action={<Button onClick={() => add("badge", { ...BLANK, text: { [language]: "New badge" } })}>Another badge</Button>}
    >
      <div className="relative mb-2 flex items-center gap-2 text-[13px]">
        {mostBadges !== live.page.mostBadges && <Diamond className="absolute top-2 -left-[13px]" />}
        <span className="text-soft">At most</span>
        <NumberLine
          label="Badges on one product"
          value={mostBadges}
          min={1}
          max={6}
          onCommit={(most) => setPage({ mostBadges: most })}
          className="w-10"
        />
        <span className="text-soft">on one product</span>
        <span className="ml-auto">{choice}</span>
      </div>
      {entries.length === 0 && <Empty>No badge yet. Accept one of those below, or make your own.</Empty>}
      <SortableList ids={entries.map(([id]) => id)} onMove={(id, place) => moveEntry("badges", id, place)}>
        {entries.map(([id, badge]) => (
          <BadgeRow
            key={id}
            id={id}
            badge={badge}
            facts={lookUp(facts?.badges, id)}
            language={language}
            isOpen={open === id}
            onOpen={() => setOpen(open === id ? null : id)}
          />
        ))}
      </SortableList>
      {proposals.length > 0 && (
        <section aria-label="Proposed badges" className="mt-5">
          <h2 className="mb-1 text-[16px]/6">Proposed</h2>
          <ul className="border-t border-rule">
            {proposals.map(({ badge, reason }) => (
              <li key={badge.name} className="flex items-center gap-3 border-b border-rule py-1.5 text-[13px]">
                <span className="min-w-0 flex-1">
                  <b className="font-semibold">{badge.name}</b> <span className="text-soft">{reason}</span>
                </span>
                <Button data-next-step onClick={() => add(badge.name.toLowerCase().replace(/\W+/g, "-"), badge)}>
                  Accept
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </Screen>
  );
}

const BLANK: Omit<Badge, "rank"> = {
  name: "New badge",
  text: {},
  condition: { any: [] },
  tone: "press",
  colour: null,
  place: "picture-start",
  on: true,
  from: null,
  until: null,
};
