import type { Shelf } from "@core/settings/shelf";
import { Button, IconButton } from "@ui/Button";
import { X } from "lucide-react";
import { CategoryChoice, freeCategory } from "../../pieces/CategoryChoice";
import { Line, Lines } from "../../pieces/Lines";
import { SearchMatches } from "../../pieces/SearchMatches";
import { useOpen } from "../../state/bench";

interface Props {
  shelf: Shelf;
  onChange: (how: (shelf: Shelf) => Shelf) => void;
}

/** For which searches and in which categories a shelf acts. */
export function ForForm({ shelf, onChange }: Props) {
  const { front } = useOpen("front");
  const free = freeCategory(front.categories, shelf.categories);
  return (
    <Lines wide>
      <Line name="Searches">
        <div className="flex flex-col gap-1.5">
          <SearchMatches value={shelf.searches} lead="The search" onChange={(searches) => onChange((own) => ({ ...own, searches }))} />
        </div>
      </Line>
      <Line name={shelf.searches.length > 0 ? "Only in" : "Categories"}>
        {shelf.categories.map((path, i) => (
          <span key={path.join()} className="flex items-center gap-1.5">
            <CategoryChoice
              value={path}
              label={`Category ${i + 1}`}
              without={shelf.categories}
              onChange={(next) => onChange((own) => ({ ...own, categories: own.categories.with(i, next) }))}
            />
            <IconButton
              label={`Forget ${path.join(" › ")}`}
              onClick={() => onChange((own) => ({ ...own, categories: own.categories.toSpliced(i, 1) }))}
            >
              <X className="size-4" />
            </IconButton>
          </span>
        ))}
        {free && (
          <Button look="bare" className="!px-0" onClick={() => onChange((own) => ({ ...own, categories: [...own.categories, free] }))}>
            + Category
          </Button>
        )}
      </Line>
    </Lines>
  );
}
