import { Block } from "@core/settings/page/block";
import { Button, IconButton } from "@ui/Button";
import { Segments } from "@ui/controls";
import { X } from "lucide-react";
import { useLiveForm } from "../../forms/useLiveForm";
import { CategoryChoice, freeCategory } from "../../pieces/CategoryChoice";
import { LabelLine } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { SearchMatches } from "../../pieces/SearchMatches";
import { Ticked } from "../../pieces/Ticked";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useOpen } from "../../state/bench";
import { BlockSourceForm } from "./BlockSourceForm";

interface Props {
  block: Block;
  language: string;
  onSave: (part: Partial<Block>) => Promise<boolean>;
}

/** All that can be said of a block. */
export function BlockForm({ block: kept, language, onSave }: Props) {
  const { value: block, change: onChange, problemOf } = useLiveForm(Block, kept, onSave);
  const { front, store } = useOpen("front", "store");
  const free = freeCategory(front.categories, block.categories);
  const ticked = (key: "searching" | "browsing" | "more", label: string) => (
    <Ticked checked={block[key]} label={label} onChange={(value) => onChange({ [key]: value })}>
      {label}
    </Ticked>
  );
  return (
    <Lines wide>
      <Line name="Title" problem={problemOf("title")}>
        <LabelLine
          label="Title of the block"
          value={block.title}
          language={language}
          onChange={(title) => onChange({ title })}
          className="w-64"
        />
      </Line>
      <Line name="Shows" problem={problemOf("shows")}>
        <BlockSourceForm shows={block.shows} onChange={(shows) => onChange({ shows })} />
      </Line>
      <Line name="How many" problem={problemOf("least")}>
        at most
        <NumberLine label="Shown at most" value={block.most} min={1} max={24} onCommit={(most) => onChange({ most })} className="w-12" />
        and only when there are
        <NumberLine
          label="There at least"
          value={block.least}
          min={1}
          max={24}
          onCommit={(least) => onChange({ least })}
          className="w-12"
        />
        or more
      </Line>
      <Line name="Link">{ticked("more", "To all of it; the search is kept")}</Line>
      <Line name="Place" problem={problemOf("after")}>
        <Segments
          label="Place of the block"
          value={block.place}
          options={[
            { value: "above", label: "over the results" },
            { value: "inside", label: "among them" },
            { value: "beside", label: "beside them" },
          ]}
          onChange={(place) => onChange({ place })}
        />
        {block.place === "inside" && (
          <>
            after
            <NumberLine
              label="Results before it"
              value={block.after}
              min={1}
              max={200}
              onCommit={(after) => onChange({ after })}
              className="w-12"
            />
          </>
        )}
      </Line>
      <Line name="Where" problem={problemOf("searches")}>
        {ticked("searching", "Searches")}
        {ticked("browsing", "Categories")}
        <div className="flex basis-full flex-col gap-1.5">
          {block.categories.map((path, i) => (
            <span key={path.join()} className="flex items-center gap-1.5">
              <CategoryChoice
                value={path}
                label={`Only in category ${i + 1}`}
                without={block.categories}
                onChange={(next) => onChange({ categories: block.categories.with(i, next) })}
              />
              <IconButton label={`Forget ${path.join(" › ")}`} onClick={() => onChange({ categories: block.categories.toSpliced(i, 1) })}>
                <X className="size-4" />
              </IconButton>
            </span>
          ))}
          {free && (
            <Button look="bare" className="self-start !px-0" onClick={() => onChange({ categories: [...block.categories, free] })}>
              {block.categories.length === 0 ? "+ Only in some categories" : "+ Category"}
            </Button>
          )}
          <SearchMatches value={block.searches} onChange={(searches) => onChange({ searches })} />
        </div>
      </Line>
      <Line name="Dates" problem={problemOf("until")}>
        <ZonedSpan value={{ from: block.from, until: block.until }} timeZone={store.timeZone} onChange={onChange} />
      </Line>
    </Lines>
  );
}
