import { set } from "@core/settings/patch";
import { GripVertical } from "lucide-react";
import { useRef } from "react";
import { useBenchParts, useOpen } from "../../state/bench";

/** How far the panel's edge is drawn before it lets go, in pixels. */
const FAR = 24;

/** The panel's outer edge: drawn outwards it becomes as wide as the page, inwards as wide as the field; a press changes it too. */
export function AnchorHandle() {
  const { anchor } = useOpen("settings").settings.box;
  const { edit } = useBenchParts("edit");
  const start = useRef<number | null>(null);
  const choose = (next: typeof anchor) => next !== anchor && void edit([set(["box", "anchor"], next)]);
  return (
    <button
      type="button"
      aria-label={
        anchor === "field" ? "As wide as the field: make it as wide as the page" : "As wide as the page: make it as wide as the field"
      }
      title={anchor === "field" ? "As wide as the field; draw it out to the page" : "As wide as the page; draw it in to the field"}
      onPointerDown={(event) => {
        start.current = event.clientX;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerUp={(event) => {
        const by = event.clientX - (start.current ?? event.clientX);
        start.current = null;
        if (by > FAR) choose("page");
        else if (by < -FAR) choose("field");
        else choose(anchor === "field" ? "page" : "field");
      }}
      onKeyDown={(event) => {
        if (event.key === "ArrowRight") choose("page");
        if (event.key === "ArrowLeft") choose("field");
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          choose(anchor === "field" ? "page" : "field");
        }
      }}
      className="absolute top-1/2 -right-2 grid h-10 w-4 -translate-y-1/2 cursor-ew-resize touch-none place-items-center rounded-l border border-r-0 border-rule bg-raised text-soft hover:text-ink"
    >
      <GripVertical className="size-3" aria-hidden />
    </button>
  );
}
