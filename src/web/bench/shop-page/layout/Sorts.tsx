import { lookUp } from "@core/records";
import { BEST, type Sort, usualSorts } from "@core/settings/page/sort";
import { freeId } from "@core/settings/patch";
import { rankAt, rankBehind } from "@core/settings/rank";
import { inRankOrder, labelIn } from "@core/settings/ranked";
import { Button, IconButton } from "@ui/Button";
import { Select, TextLine, Toggle } from "@ui/controls";
import { Trash2 } from "lucide-react";
import { useLanguage, withText } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { setPage } from "../edits";

/** The orders on offer. With the first change those that hold by themselves are written down, so that none is lost. */
export function Sorts() {
  const { settings, fields } = useOpen("settings", "fields");
  const { language, choice } = useLanguage();
  const { sorts: own, firstSort } = settings.page;
  const sorts: Record<string, Sort> = Object.keys(own).length > 0 ? own : usualSorts(fields);
  const entries = inRankOrder({ ...sorts });
  const set = (id: string, part: Partial<Sort>) => setPage({ sorts: { ...sorts, [id]: { ...lookUp(sorts, id), ...part } } });
  const free = fields.filter(({ type }) => ["number", "date", "keyword", "text"].includes(type));
  const add = () => {
    const [field] = free;
    if (!field) return;
    setPage({
      sorts: {
        ...sorts,
        [freeId({ ...sorts, [BEST]: true }, field.key)]: {
          field: field.key,
          direction: "asc",
          label: { [language]: field.label },
          on: true,
          rank: rankBehind(sorts),
        },
      },
    });
  };
  const move = (id: string, place: number) => set(id, { rank: rankAt(sorts, id, place) });
  return (
    <>
      <Lines>
        <Line name="Default">
          <Select
            label="Order that holds first"
            value={firstSort}
            options={[
              { value: BEST, label: "Best match" },
              ...entries.filter(([, { on }]) => on).map(([id, { label }]) => ({ value: id, label: labelIn(label, language, id) })),
            ]}
            onChange={(id) => setPage({ firstSort: id })}
            className="w-48"
          />
          {firstSort !== BEST && <span className="text-[12.5px] text-loss">Pins, boosts and tie-breakers rest in it.</span>}
          <span className="ml-auto">{choice}</span>
        </Line>
      </Lines>
      <SortableList ids={entries.map(([id]) => id)} onMove={move}>
        {entries.map(([id, sort]) => {
          const label = labelIn(sort.label, language, id);
          return (
            <SortableRow key={id} id={id} label={label} className="py-1.5">
              {(handle) => (
                <div className={`flex items-center gap-2 text-[13px] ${sort.on ? "" : "text-soft"}`}>
                  {handle}
                  <TextLine
                    label={`Name of ${label}`}
                    value={label}
                    onCommit={(text) => text.trim() && set(id, { label: withText(sort.label, language, text) })}
                    className="min-w-0 flex-1"
                  />
                  <Select
                    label={`Field of ${label}`}
                    value={sort.field}
                    options={free.map(({ key, label: name }) => ({ value: key, label: name }))}
                    onChange={(field) => set(id, { field })}
                    className="w-[104px]"
                  />
                  <Select
                    label={`Direction of ${label}`}
                    value={sort.direction}
                    options={[
                      { value: "asc", label: "ascending" },
                      { value: "desc", label: "descending" },
                    ]}
                    onChange={(direction) => set(id, { direction: direction as "asc" | "desc" })}
                    className="w-[112px]"
                  />
                  <Toggle checked={sort.on} label={`${label}: on`} onChange={(on) => set(id, { on })} />
                  <IconButton
                    label={`Remove ${label}`}
                    className="!size-6"
                    onClick={() => {
                      const { [id]: _gone, ...others } = sorts;
                      setPage({ sorts: others });
                    }}
                  >
                    <Trash2 className="size-3.5" />
                  </IconButton>
                </div>
              )}
            </SortableRow>
          );
        })}
      </SortableList>
      <Button look="bare" className="!px-0" onClick={add}>
        + Another order
      </Button>
    </>
  );
}
