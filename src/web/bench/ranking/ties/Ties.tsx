import { lookUp } from "@core/records";
import { add, freeId, remove, set } from "@core/settings/patch";
import { rankAt, rankBehind } from "@core/settings/rank";
import { inRankOrder } from "@core/settings/ranked";
import { IconButton } from "@ui/Button";
import { Segments, Slider } from "@ui/controls";
import { Trash2 } from "lucide-react";
import { useEffect, useState } from "react";
import { Empty, Screen, Section } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { useBenchParts, useOpen } from "../../state/bench";
import { useStockFacts } from "../useStockFacts";
import { labelOfTie, READY } from "./ready";
import { TiePicture } from "./TiePicture";

const LEAD =
  "When two products match a search about equally well, these decide, in this order. Pins, boosts and the words themselves come first.";

/** What decides among products that match about equally well. */
export default function Ties() {
  const { settings, live, fields } = useOpen("settings", "live", "fields");
  const { edit } = useBenchParts("edit");
  const facts = useStockFacts();
  const { ranking } = settings;
  const [width, setWidth] = useState(ranking.tieWidth);
  useEffect(() => setWidth(ranking.tieWidth), [ranking.tieWidth]);
  const ties = inRankOrder(ranking.ties);
  const used = new Set(ties.map(([, tie]) => tie.field));
  const ready = READY.flatMap((made) => made(fields, facts?.derived ?? [])).filter(({ field }) => !used.has(field));
  const others = fields.filter(
    (field) =>
      (field.type === "number" || field.type === "date") && !used.has(field.key) && !ready.some((entry) => entry.field === field.key),
  );
  const move = (id: string, place: number) => {
    const rank = rankAt(ranking.ties, id, place);
    void edit([set(["ranking", "ties", id, "rank"], rank)]);
  };
  const decideBy = (field: string, direction: "asc" | "desc") => {
    const rank = rankBehind(ranking.ties);
    void edit([add(["ranking", "ties", freeId(ranking.ties, field)], { field, direction, rank })]);
  };
  return (
    <Screen title="Tie-breakers" lead={LEAD}>
      {ties.length === 0 && <Empty>Nothing decides yet: the score does, to the last digit. Choose one below.</Empty>}
      <SortableList ids={ties.map(([id]) => id)} onMove={move}>
        {ties.map(([id, tie], place) => {
          const label = labelOfTie(tie.field, fields);
          return (
            <SortableRow key={id} id={id} label={label}>
              {(handle) => (
                <div className="flex h-10 items-center gap-2 text-[13px]">
                  {JSON.stringify(tie) !== JSON.stringify(lookUp(live.ranking.ties, id)) && (
                    <Diamond className="absolute top-3.5 -left-[13px]" />
                  )}
                  {handle}
                  <span className="w-5 text-soft">{place + 1}.</span>
                  <b className="min-w-0 flex-1 truncate font-semibold">{label}</b>
                  <Segments
                    value={tie.direction}
                    label={`Direction of ${label}`}
                    options={[
                      { value: "desc", label: "most first" },
                      { value: "asc", label: "least first" },
                    ]}
                    onChange={(direction) => void edit([set(["ranking", "ties", id, "direction"], direction)])}
                  />
                  <IconButton label={`Remove ${label}`} onClick={() => void edit([remove(["ranking", "ties", id])])}>
                    <Trash2 className="size-4" />
                  </IconButton>
                </div>
              )}
            </SortableRow>
          );
        })}
      </SortableList>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[13px]">
        <span className="text-soft">Add</span>
        {ready.map(({ field, label, direction }) => (
          <button key={field} type="button" className="font-semibold text-press hover:underline" onClick={() => decideBy(field, direction)}>
            {label}
          </button>
        ))}
        {others.map((field) => (
          <button key={field.key} type="button" className="text-press hover:underline" onClick={() => decideBy(field.key, "desc")}>
            {field.label}
          </button>
        ))}
      </p>
      <Section title="When scores count as equal">
        <div className="relative flex items-center gap-3 border-t border-rule pt-2">
          {ranking.tieWidth !== live.ranking.tieWidth && <Diamond className="absolute top-3.5 -left-[13px]" />}
          <div className="w-56">
            <Slider
              value={width}
              was={live.ranking.tieWidth}
              max={50}
              step={1}
              label="Tie width in per cent"
              onMove={setWidth}
              onCommit={(tieWidth) => void edit([set(["ranking", "tieWidth"], tieWidth)])}
            />
          </div>
          <p className="flex-1 text-[13px]">
            {width === 0 ? (
              "Only equal scores tie."
            ) : (
              <>
                Scores within <b className="font-semibold">{width} %</b> of one another tie.
              </>
            )}
          </p>
        </div>
        <TiePicture width={width} />
      </Section>
    </Screen>
  );
}
