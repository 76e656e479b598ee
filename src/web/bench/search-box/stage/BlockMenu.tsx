import type { BoxBlock } from "@core/settings/box/block";
import type { BoxMomentName } from "@core/settings/box/usual";
import { Button } from "@ui/Button";
import { Checkbox, Select } from "@ui/controls";
import { PopupContent } from "@ui/PopupContent";
import { MoreHorizontal } from "lucide-react";
import { Popover } from "radix-ui";
import { GuidesChoice } from "../../pieces/GuidesChoice";
import { LabelLine } from "../../pieces/LabelLine";
import { useFilterNames } from "../../pieces/useFilterNames";
import { useBenchParts, useOpen } from "../../state/bench";
import { BLOCK_NAMES, picksFor, plainHeading } from "../blocks";
import { changeBlock, MOST_COLUMNS, removeBlock } from "../edits";
import { HandProducts, HandSearches } from "./ByHand";

interface Props {
  id: string;
  block: BoxBlock;
  moment: BoxMomentName;
  language: string;
  column: number;
  columns: number;
  isNarrow: boolean;
  onColumn: (column: number) => void;
}

/** All else that can be said of a block. */
export function BlockMenu({ id, block, moment, language, column, columns, isNarrow, onColumn }: Props) {
  const { settings, store } = useOpen("settings", "store");
  const { edit } = useBenchParts("edit");
  const name = BLOCK_NAMES[block.kind];
  const change = (part: object) => edit(changeBlock(moment, id, part as Partial<BoxBlock>));
  const picks = picksFor(block, moment);
  const nameOf = useFilterNames();
  const filters = Object.keys(settings.filters).map((value) => ({ value, label: nameOf(value, language) }));
  return (
    <Popover.Root>
      <Popover.Trigger aria-label={`More about ${name}`} className="text-soft hover:text-ink">
        <MoreHorizontal className="size-4" />
      </Popover.Trigger>
      <PopupContent
        collisionPadding={8}
        aria-label={`About ${name}`}
        className="flex max-h-[70vh] w-[330px] flex-col gap-2 overflow-auto p-3 text-[13px]"
      >
        {"pick" in block && picks.length > 0 && (
          <Row name="From">
            <Select
              label={`Where ${name} come from`}
              value={block.pick}
              options={picks}
              onChange={(pick) => change({ pick })}
              className="w-full"
            />
          </Row>
        )}
        {block.kind === "values" && (
          <Row name="Filter">
            <Select
              label="Filter whose values are shown"
              value={block.filter}
              options={filters}
              onChange={(filter) => change({ filter })}
              className="w-full"
            />
          </Row>
        )}
        {"counts" in block && (
          <Row name="Numbers">
            <span className="flex items-center gap-2">
              <Checkbox checked={block.counts} label={`Numbers in ${name}`} onChange={(counts) => change({ counts })} /> of products beside
              each
            </span>
          </Row>
        )}
        {block.kind === "message" && (
          <Row name="Text">
            <LabelLine
              label="Text of the message"
              value={block.text}
              language={language}
              placeholder={moment === "nothing" ? "as on the no-results page" : "Delivery is free from £50"}
              onChange={(text) => change({ text })}
            />
          </Row>
        )}
        {block.kind === "searches" && block.pick === "hand" && <HandSearches list={block.list} onChange={(list) => change({ list })} />}
        {block.kind === "products" && block.pick === "hand" && (
          <HandProducts products={block.products} onChange={(products) => change({ products })} />
        )}
        {block.kind === "pages" && block.pick === "hand" && (
          <GuidesChoice label="Guide to show in the box" ids={block.pages} onChange={(pages) => change({ pages })} />
        )}
        {!isNarrow && (
          <Row name="Stands in">
            <span className="flex flex-wrap gap-1">
              {Array.from({ length: Math.min(columns + 1, MOST_COLUMNS) }, (_, to) => (
                <Button key={to} aria-pressed={to === column} disabled={to === column} onClick={() => onColumn(to)}>
                  {to === columns ? "A new column" : `Column ${to + 1}`}
                </Button>
              ))}
            </span>
          </Row>
        )}
        {store.languages
          .filter((other) => other !== language)
          .map((other) => (
            <Row key={other} name={`In ${other}`}>
              <LabelLine
                label={`Heading of ${name} in ${other}`}
                value={block.heading}
                language={other}
                placeholder={plainHeading(block, moment, other, (filter) => nameOf(filter, other))}
                onChange={(heading) => change({ heading })}
              />
            </Row>
          ))}
        <div className="flex items-center border-t border-rule pt-2">
          <Popover.Close asChild>
            <Button look="loss" className="ml-auto" onClick={() => void edit(removeBlock(settings.box, moment, id))}>
              Remove this block
            </Button>
          </Popover.Close>
        </div>
      </PopupContent>
    </Popover.Root>
  );
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-[64px_minmax(0,1fr)] items-center gap-2">
      <span className="text-soft">{name}</span>
      {children}
    </div>
  );
}
