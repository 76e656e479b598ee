import { lookUp } from "@core/records";
import { freeId, remove } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { useLeaving } from "../../forms/leave";
import { Empty, Screen } from "../../frame/Screen";
import { NEW, useOpenRow } from "../../frame/useOpenRow";
import { useBenchParts, useOpen } from "../../state/bench";
import { BoostForm } from "./BoostForm";
import { BoostRow } from "./BoostRow";
import { HowStrong } from "./HowStrong";

const LEAD =
  "Raises or lowers a part of the range in every search and category, by a share of its score. Words still come first: nothing is shown that does not match.";

/** What is pushed or held back everywhere. */
export default function Boosts() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const { leave } = useLeaving.getState();
  const [open, setOpen] = useOpenRow();
  const boosts = Object.entries(settings.boosts);
  const editing = open !== null && open !== NEW ? lookUp(settings.boosts, open) : undefined;
  return (
    <Screen
      title="Boosts"
      lead={LEAD}
      action={
        open === NEW ? undefined : (
          <Button look="main" onClick={() => leave(() => setOpen(NEW))}>
            New boost
          </Button>
        )
      }
    >
      {open === NEW && <BoostForm id={freeId(settings.boosts, "boost")} start={null} onDone={() => setOpen(null)} />}
      {boosts.length === 0 && open !== NEW && (
        <Empty>None yet. Shops raise their own brand, what earns most, or what has to go before the season ends.</Empty>
      )}
      <ul className="border-t border-rule">
        {boosts.map(([id, boost]) =>
          open === id && editing ? (
            <li key={id} className="border-b border-rule">
              <BoostForm id={id} start={editing} onDone={() => setOpen(null)} />
            </li>
          ) : (
            <BoostRow
              key={id}
              id={id}
              boost={boost}
              onOpen={() => leave(() => setOpen(id))}
              onRemove={() => void edit([remove(["boosts", id])])}
            />
          ),
        )}
      </ul>
      <HowStrong />
    </Screen>
  );
}
