import type { Hit } from "@core/search/request";
import { ArrowUpToLine, FileText } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { Link } from "react-router";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { shelfActions as actions, sayTarget, useShelfTarget } from "./shelf-actions";

const BUTTON =
  "flex h-full flex-1 items-center justify-center hover:bg-white/15 focus-visible:bg-white/20 focus-visible:outline-offset-[-2px] focus-visible:outline-white";

/** What can be done to a result where it stands, on hover or focus. */
export function Actions({ hit }: { hit: Hit }) {
  const { set } = useWindowParts("set");
  const { store } = useOpen("store");
  const { target } = useShelfTarget();
  const isPinned = hit.arranged.some((entry) => entry.kind === "pin");
  const where = sayTarget(target);
  return (
    <div className="absolute inset-x-0 top-0 z-[11] flex h-[30px] rounded-t-[3px] bg-[#24211d] text-[12px] font-semibold text-white opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 has-[[data-state=open]]:opacity-100">
      <button
        type="button"
        className={BUTTON}
        aria-label={isPinned ? `Unpin ${hit.title}` : `Pin ${hit.title} at place ${hit.position}`}
        title={isPinned ? "Unpin" : `Pin at place ${hit.position} ${where}`}
        onClick={() => (isPinned ? actions.unpin(hit.id) : actions.pin(hit.id, hit.position))}
      >
        {isPinned ? "Unpin" : "Pin"}
      </button>
      {hit.position > 1 && (
        <button
          type="button"
          className={BUTTON}
          aria-label={`Pin ${hit.title} to the top`}
          title={`Pin to the top ${where}`}
          onClick={() => actions.pin(hit.id, 1)}
        >
          <ArrowUpToLine className="size-3.5" aria-hidden />
        </button>
      )}
      <button
        type="button"
        className={BUTTON}
        aria-label={`Raise ${hit.title}`}
        title={`Raise by half ${where}`}
        onClick={() => actions.raise(hit.id)}
      >
        ▲
      </button>
      <button
        type="button"
        className={BUTTON}
        aria-label={`Lower ${hit.title}`}
        title={`Lower by a third ${where}`}
        onClick={() => actions.lower(hit.id)}
      >
        ▼
      </button>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className={BUTTON} aria-label={`Hide ${hit.title}`} title="Hide">
          ✕
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            sideOffset={4}
            className="z-50 min-w-[220px] rounded border border-rule bg-raised p-1 text-[13px] text-ink shadow-lg"
          >
            <DropdownMenu.Item
              onSelect={() => actions.exclude(hit.id, hit.title)}
              className="cursor-pointer rounded px-2 py-1 outline-none data-[highlighted]:bg-press-soft"
            >
              Not {where}
            </DropdownMenu.Item>
            <DropdownMenu.Item
              onSelect={() => actions.hide(hit.id, hit.title)}
              className="cursor-pointer rounded px-2 py-1 outline-none data-[highlighted]:bg-press-soft"
            >
              Hide everywhere
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Link
        to={`/bench/${store.id}/catalogue/products/${encodeURIComponent(hit.id)}`}
        className={`${BUTTON} text-white no-underline`}
        aria-label={`All about ${hit.title}`}
        title="All about this product"
      >
        <FileText className="size-3.5" aria-hidden />
      </Link>
      <button
        type="button"
        className={BUTTON}
        aria-label={`Why is ${hit.title} here?`}
        title="Why here?"
        onClick={() => set({ asked: hit.id })}
      >
        Why?
      </button>
    </div>
  );
}
