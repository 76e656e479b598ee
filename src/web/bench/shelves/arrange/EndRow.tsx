import type { Shelf } from "@core/settings/shelf";
import { IconButton } from "@ui/Button";
import { Segments } from "@ui/controls";
import { plural } from "@ui/format";
import { X } from "lucide-react";
import { SortableRow } from "../../pieces/SortableList";
import { END } from "./space-rows";

interface Props {
  end: number;
  after: Shelf["after"];
  onChange: (how: (shelf: Shelf) => Shelf) => void;
}

/** The limit of the shelf, which is moved like a product. */
export function EndRow({ end, after, onChange }: Props) {
  return (
    <SortableRow id={END} label="the limit" className="!border-b-2 !border-ink text-[13px]">
      {(handle) => (
        <div className="flex h-9 items-center gap-2">
          {handle}
          <b className="font-semibold">Limit: {plural(end, "product")}</b>
          <span className="text-soft">after it</span>
          <Segments
            label="What comes after the limit"
            value={after}
            options={[
              { value: "nothing", label: "nothing" },
              { value: "results", label: "the ordinary results" },
            ]}
            onChange={(next) => onChange((shelf) => ({ ...shelf, after: next }))}
          />
          <IconButton label="No limit" className="ml-auto" onClick={() => onChange((shelf) => ({ ...shelf, end: null }))}>
            <X className="size-4" />
          </IconButton>
        </div>
      )}
    </SortableRow>
  );
}
