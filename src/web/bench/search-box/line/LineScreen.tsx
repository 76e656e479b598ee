import { lookUp } from "@core/records";
import { LINE_KINDS, type LinePart } from "@core/settings/box/line";
import type { CardPart } from "@core/settings/page/card";
import { freeId, set } from "@core/settings/patch";
import { rankAt, rankBehind } from "@core/settings/rank";
import { inRankOrder } from "@core/settings/ranked";
import { Segments } from "@ui/controls";
import { Screen } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { FoldingRow } from "../../pieces/FoldingRow";
import { useLanguage } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { SortableList } from "../../pieces/SortableList";
import { AddPart } from "../../shop-page/cards/AddPart";
import { PartForm } from "../../shop-page/cards/PartForm";
import { offersFor, PART_NAMES, sayPart } from "../../shop-page/cards/parts";
import { useBenchParts, useOpen } from "../../state/bench";

type Parts = Record<string, LinePart>;
type Offer = Omit<LinePart, "rank">;
const FITS: ReadonlySet<string> = new Set(LINE_KINDS);

/** What one product in the panel shows, composed of parts as the result card is. */
export default function LineScreen() {
  const { settings, live, fields } = useOpen("settings", "live", "fields");
  const { edit } = useBenchParts("edit");
  const { language, choice } = useLanguage();
  const [open, setOpen] = useOpenRow();
  const { parts } = settings.box.line;
  const ordered = inRankOrder(parts);
  const setParts = (next: Parts) => void edit([set(["box", "line", "parts"], next)]);
  const onCard = Object.fromEntries(
    Object.entries(parts).filter((entry): entry is [string, Exclude<LinePart, { kind: "picture" }>] => entry[1].kind !== "picture"),
  );
  const offers: { name: string; part: Offer }[] = [
    ...(ordered.some(([, part]) => part.kind === "picture")
      ? []
      : [{ name: PART_NAMES.picture, part: { kind: "picture", size: 40, fit: "fill" } as Offer }]),
    ...offersFor(onCard, fields, [], language)
      .filter(({ part }) => FITS.has(part.kind))
      .map(({ name, part }) => ({ name, part: part as Offer })),
  ];
  const add = (part: Offer) => {
    const id = freeId(parts, part.kind);
    setParts({ ...parts, [id]: { ...part, rank: rankBehind(parts) } as LinePart });
    setOpen(id);
  };
  return (
    <Screen
      title="Product line"
      lead="What a product shows in the panel: in a line, or as a tile where its column is wide."
      action={choice}
    >
      <SortableList
        ids={ordered.map(([id]) => id)}
        onMove={(id, place) => setParts({ ...parts, [id]: { ...lookUp(parts, id), rank: rankAt(parts, id, place) } })}
      >
        {ordered.map(([id, part]) => (
          <FoldingRow
            key={id}
            id={id}
            name={PART_NAMES[part.kind]}
            note={
              part.kind === "picture"
                ? `${part.size} px, ${part.fit === "fill" ? "cut to fill" : "shown whole"}`
                : sayPart(part, fields, language)
            }
            isDraft={JSON.stringify(part) !== JSON.stringify(lookUp(live.box.line.parts, id))}
            isOpen={open === id}
            onOpen={() => setOpen(open === id ? null : id)}
            onRemove={() => {
              const { [id]: _gone, ...others } = parts;
              setParts(others);
            }}
          >
            {part.kind === "picture" ? (
              <Lines narrow>
                <Line name="Its edge">
                  <NumberLine
                    label="Edge of the picture in pixels"
                    value={part.size}
                    min={24}
                    max={96}
                    onCommit={(size) => setParts({ ...parts, [id]: { ...part, size } })}
                  />
                  px in a line
                </Line>
                <Line name="Fills its place">
                  <Segments
                    label="How the picture fills its place"
                    value={part.fit}
                    options={[
                      { value: "fill", label: "cut to fill" },
                      { value: "whole", label: "shown whole" },
                    ]}
                    onChange={(fit) => setParts({ ...parts, [id]: { ...part, fit } })}
                  />
                </Line>
              </Lines>
            ) : (
              <PartForm part={part as CardPart} language={language} onChange={(next) => setParts({ ...parts, [id]: next as LinePart })} />
            )}
          </FoldingRow>
        ))}
      </SortableList>
      <AddPart offers={offers} onAdd={add} />
    </Screen>
  );
}
