import type { DemandOverview } from "@contract/demand";
import { Answered } from "../ask/Answered";
import { Skeleton } from "../ask/Skeleton";
import { useAsk } from "../ask/useAsk";
import { Empty, Screen, Section } from "../frame/Screen";
import { Changes } from "./Changes";
import { FiguresOf } from "./FiguresOf";
import { MEASURES } from "./measures";
import { PeriodBar } from "./PeriodBar";
import { useDemandAsked } from "./useDemandAsked";

/** The figures of a period, each with its line, and what changed it most. */
export default function Overview() {
  const { choice, question, change } = useDemandAsked();
  const overview = useAsk("GET /api/stores/{store}/demand", { query: question }, { of: "store" });
  return (
    <Screen title="Demand" lead="What shoppers ask for, and what comes of it.">
      <PeriodBar
        choice={choice}
        change={change}
        languages={overview.data?.languages ?? []}
        hasYearAgo={overview.data?.yearAgo != null}
        period={overview.data?.now.period ?? null}
      />
      <Answered of={overview} loading={<Skeleton rows={11} height={44} />}>
        {(found) => (found.kept ? <Found overview={found} against={choice.against} /> : <Nothing />)}
      </Answered>
    </Screen>
  );
}

function Nothing() {
  return (
    <Empty>
      Nothing was searched yet, or it is not counted yet. The shop and the embedded pieces tell what shoppers do by themselves; a shop of
      your own sends it to the address that Shop page › Embedding names.
    </Empty>
  );
}

function Found({ overview, against }: { overview: DemandOverview; against: "before" | "year" }) {
  return (
    <>
      <FiguresOf of={overview} against={against} keptFrom={overview.kept?.from ?? null} measures={MEASURES} />
      <Section title="What changed most" note="searches, against the time before">
        <Changes changes={overview.changes} />
      </Section>
    </>
  );
}
