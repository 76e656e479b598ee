import { Box } from "@core/settings/box/box";
import { ARRANGEMENTS, type ArrangementName } from "@core/settings/box/usual";
import { set } from "@core/settings/patch";
import { toast } from "@ui/toast";
import { useBench, useBenchParts, useOpen } from "../../state/bench";

const NAMES: Record<ArrangementName, { name: string; note: string }> = {
  list: { name: "One list", note: "one block below the other" },
  pair: { name: "Suggestions and products", note: "words left, products right" },
  window: { name: "Products first", note: "products large, words beside" },
};

/** Three finished arrangements. */
export function Arrangements() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  return (
    <ul className="grid grid-cols-3 gap-2 border-t border-rule pt-2">
      {(Object.keys(ARRANGEMENTS) as ArrangementName[]).map((id) => {
        const { moments } = Box.parse({ moments: ARRANGEMENTS[id] });
        const isThis = JSON.stringify(moments) === JSON.stringify(settings.box.moments);
        return (
          <li key={id}>
            <button
              type="button"
              aria-pressed={isThis}
              onClick={() => {
                void edit([set(["box", "moments"], moments)]);
                toast.success(`“${NAMES[id].name}” is set for all three moments.`, {
                  action: { label: "Undo", onClick: () => void useBench.getState().undo() },
                });
              }}
              className={`flex w-full flex-col gap-1.5 rounded border p-2 text-left hover:border-soft ${isThis ? "border-press bg-press-soft" : "border-rule bg-raised"}`}
            >
              <Sketch id={id} />
              <span className="text-[13px] font-semibold">{NAMES[id].name}</span>
              <span className="text-[12px]/4 text-soft">{NAMES[id].note}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** The arrangement as a drawing: lines for words, squares for goods. */
function Sketch({ id }: { id: ArrangementName }) {
  const words = (x: number, y: number, width: number, count: number) =>
    Array.from({ length: count }, (_, i) => <path key={`w${x}-${y + i * 7}`} d={`M${x} ${y + i * 7}h${i % 2 ? width * 0.7 : width}`} />);
  const goods = (x: number, y: number, edge: number, across: number, down: number) =>
    Array.from({ length: across * down }, (_, i) => (
      <rect key={`g${i + 0}`} x={x + (i % across) * (edge + 4)} y={y + Math.floor(i / across) * (edge + 4)} width={edge} height={edge} />
    ));
  return (
    <svg viewBox="0 0 120 62" aria-hidden className="w-full fill-none stroke-soft stroke-[1.5]">
      <rect x="1" y="1" width="118" height="10" className="stroke-ink" />
      {id === "list" && (
        <>
          {words(6, 20, 100, 3)}
          {goods(6, 38, 18, 5, 1)}
        </>
      )}
      {id === "pair" && (
        <>
          {words(6, 20, 28, 6)}
          {goods(46, 18, 18, 3, 2)}
        </>
      )}
      {id === "window" && (
        <>
          {goods(6, 18, 18, 3, 2)}
          {words(82, 20, 28, 6)}
        </>
      )}
    </svg>
  );
}
