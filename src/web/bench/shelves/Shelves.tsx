import { inRankOrder } from "@core/settings/ranked";
import { pointerKey } from "@core/shelves/edit";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { Trash2 } from "lucide-react";
import { Empty, Screen, Section } from "../frame/Screen";
import { Diamond } from "../frame/TopBar";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { Arrangement } from "./Arrangement";
import { HiddenProducts } from "./HiddenProducts";

/** Single searches and categories arranged by hand. */
export default function Shelves() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  const { try: tryQuery, go } = useWindowParts("try", "go");
  const shelves = inRankOrder(settings.shelves);
  return (
    <Screen
      title="Shelves"
      lead="What stands where for one search or category. Drag a product in the window to pin it, or use the buttons on it."
    >
      <Arrangement />
      <Section title="All shelves" note={plural(shelves.length, "shelf", "shelves")}>
        {shelves.length === 0 && <Empty>None yet. Try a search in the window and drag a product to the place where it should stand.</Empty>}
        <ul className="border-t border-rule">
          {shelves.map(([id, shelf]) => {
            const isDraft = JSON.stringify(shelf) !== JSON.stringify(live.shelves[id]);
            const search = shelf.searches[0]?.text;
            return (
              <li key={id} className="relative flex min-h-9 items-center gap-3 border-b border-rule py-1.5">
                {isDraft && <Diamond className="absolute -left-[13px]" />}
                <div className="min-w-0 flex-1">
                  <button
                    type="button"
                    className={`font-semibold hover:text-press ${shelf.on ? "" : "text-soft line-through"}`}
                    onClick={() =>
                      search ? tryQuery(search) : go({ query: "", category: shelf.categories[0] ?? null, filters: {}, page: 1 })
                    }
                  >
                    {shelf.name}
                  </button>
                  <p className="truncate text-[12.5px] text-soft">
                    {shelf.searches.map((entry) => `“${entry.text}”`).join(", ") ||
                      shelf.categories.map((path) => path.join(" › ")).join(", ") ||
                      "no search yet"}
                    : {sayContents(shelf)}
                    {shelf.until &&
                      ` until ${new Date(shelf.until).toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" })}`}
                  </p>
                </div>
                <Toggle
                  checked={shelf.on}
                  label={`Shelf ${shelf.name}: on`}
                  onChange={(on) => void edit([{ op: "replace", path: `/shelves/${pointerKey(id)}/on`, value: on }])}
                />
                <IconButton
                  label={`Remove the shelf ${shelf.name}`}
                  onClick={() => void edit([{ op: "remove", path: `/shelves/${pointerKey(id)}` }])}
                >
                  <Trash2 className="size-4" />
                </IconButton>
              </li>
            );
          })}
        </ul>
      </Section>
      <HiddenProducts />
    </Screen>
  );
}

function sayContents(shelf: { pins: object; strength: Record<string, number>; exclude: string[]; add: string[] }): string {
  const strengths = Object.values(shelf.strength);
  const parts = [
    [Object.keys(shelf.pins).length, "pinned"],
    [strengths.filter((factor) => factor > 1).length, "raised"],
    [strengths.filter((factor) => factor < 1).length, "lowered"],
    [shelf.exclude.length, "kept out"],
    [shelf.add.length, "added"],
  ] as const;
  return (
    parts
      .filter(([number]) => number > 0)
      .map(([number, what]) => `${number} ${what}`)
      .join(", ") || "nothing arranged yet"
  );
}
