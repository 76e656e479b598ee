import { Button } from "@ui/Button";
import { Check } from "lucide-react";
import { Popover } from "radix-ui";
import { type CSSProperties, useEffect, useRef, useState } from "react";
import { useDrawer } from "../frame/drawer";
import { useBench } from "../state/bench";
import { useWindow } from "../state/window";
import { useTour } from "./state";

interface Step {
  title: string;
  text: string;
  /** What it is about, on the screen. */
  at: string;
  side: "left" | "right" | "bottom";
}

/** The real work, on the real screen, in the order in which one does it. */
const STEPS: readonly Step[] = [
  {
    title: "Search as a shopper would",
    text: "Type a search here, such as one that shoppers make often. The window is the real shop, with your draft in it.",
    at: "[aria-label='Search being tried']",
    side: "bottom",
  },
  {
    title: "Put a product where it belongs",
    text: "Point at a product, or press R and the arrow keys, to pin, raise or hide it. Or drag it to its place. It counts for this search alone.",
    at: "[data-product]",
    side: "left",
  },
  {
    title: "Decide for all searches",
    text: "From top to bottom: what is searched, the words of your shoppers, order, filters, the page. Each change shows in the window at once.",
    at: "nav[aria-label='Areas']",
    side: "right",
  },
  {
    title: "See what your changes do",
    text: "“Both” puts draft and live side by side; arrows say how far a product moved. Undo takes back what you did, not what others did.",
    at: "[aria-label='State shown']",
    side: "bottom",
  },
  {
    title: "Then release",
    text: "Shoppers see nothing of it before you release. You read every change once more there, and can go back to any release.",
    at: "[data-tour='release']",
    side: "bottom",
  },
];

/** A short tour in place. The page stays as it is: whatever is shown can be done at once. */
export default function Tour() {
  const { step, go, leave } = useTour();
  const box = useBoxOf(step === null ? null : STEPS[step].at);
  const isDone = useDone(step);
  const isRunning = step !== null;
  useEffect(() => {
    if (isRunning) useDrawer.getState().set(true);
  }, [isRunning]);
  const anchor = useRef({ getBoundingClientRect: () => new DOMRect() });
  if (step === null || box === null) return null;
  anchor.current = { getBoundingClientRect: () => box };
  const { title, text, side } = STEPS[step];
  const isLast = step === STEPS.length - 1;
  return (
    <Popover.Root open onOpenChange={(isOpen) => !isOpen && leave()}>
      <Popover.Anchor virtualRef={anchor} />
      <span aria-hidden style={ringOf(box)} className="pointer-events-none fixed z-40 rounded border-2 border-press" />
      <Popover.Portal>
        <Popover.Content
          key={step}
          side={side}
          sideOffset={10}
          collisionPadding={12}
          aria-label={`Tour, step ${step + 1} of ${STEPS.length}: ${title}`}
          // What is done on the page is part of the tour.
          onInteractOutside={(event) => event.preventDefault()}
          className="z-50 w-[300px] rounded-md border-2 border-press bg-raised p-4 text-[13.5px] text-ink shadow-lg"
        >
          <p className="text-[12px] text-soft">
            {step + 1} of {STEPS.length}
          </p>
          <h2 className="text-[16px]/6">{title}</h2>
          <p className="mt-1 text-soft">{text}</p>
          {isDone && (
            <p role="status" className="mt-1.5 flex items-center gap-1 font-semibold text-gain">
              <Check className="size-4" aria-hidden /> Done.
            </p>
          )}
          <div className="mt-3 flex items-center gap-2">
            <Button look="bare" className="!px-0" onClick={leave}>
              Leave the tour
            </Button>
            <span className="flex-1" />
            {step > 0 && <Button onClick={() => go(step - 1)}>Back</Button>}
            <Button look="main" onClick={() => (isLast ? leave() : go(step + 1))}>
              {isLast ? "Begin" : "Next"}
            </Button>
          </div>
          <Popover.Arrow className="fill-press" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const ringOf = ({ left, top, width, height }: DOMRect): CSSProperties => ({
  left: left - 4,
  top: top - 4,
  width: width + 8,
  height: height + 8,
});

/** Where what a step is about stands, followed as the page changes; null where it is not there. */
function useBoxOf(selector: string | null): DOMRect | null {
  const [box, setBox] = useState<DOMRect | null>(null);
  useEffect(() => {
    if (selector === null) return setBox(null);
    const look = () => {
      const next = document.querySelector(selector)?.getBoundingClientRect() ?? null;
      setBox((old) => (old && next && isSame(old, next) ? old : next));
    };
    look();
    const timer = setInterval(look, 250);
    window.addEventListener("resize", look);
    return () => {
      clearInterval(timer);
      window.removeEventListener("resize", look);
    };
  }, [selector]);
  return box;
}

const isSame = (a: DOMRect, b: DOMRect) => a.left === b.left && a.top === b.top && a.width === b.width && a.height === b.height;

/** Whether somebody has done what a step speaks of, where it is something to do. */
function useDone(step: number | null): boolean {
  const hasSearched = useWindow(({ address }) => address.query !== "");
  const hasChanged = useBench(({ open }) => (open?.changes.length ?? 0) > 0);
  const hasCompared = useWindow(({ mode }) => mode === "both");
  return [hasSearched, hasChanged, false, hasCompared, false][step ?? 2];
}
