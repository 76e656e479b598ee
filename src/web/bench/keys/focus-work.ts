/**
 * What a screen proposes to do next: what is accepted, added or answered with one press (`data-next-step`), and the fields in which the
 * work goes on (`data-next-field` around them).
 */
const NEXT = "[data-next-step]:not([disabled]), [data-next-field] input";
/** A field in which Enter means that it is done. */
const DONE_BY_ENTER = "[data-next-field] input:not([role=combobox])";

/** How long a screen's proposals may take to come. */
const MOST_WAITED = 5_000;

const work = () => document.getElementById("work");
const stepsIn = (root: HTMLElement) => [...root.querySelectorAll<HTMLElement>(NEXT)];

/** Gives the focus to the work of a screen, and to the first that it proposes as soon as it does, unless somebody went on meanwhile. */
export function focusWork(): void {
  const root = work();
  if (!root) return;
  root.focus();
  const [first] = stepsIn(root);
  if (first) {
    first.focus();
    return;
  }
  const observer = new MutationObserver(() => {
    const [step] = stepsIn(root);
    const isWaiting = document.activeElement === root || document.activeElement === document.body;
    if (step && isWaiting) step.focus();
    if (step || !isWaiting) end();
  });
  const timer = setTimeout(end, MOST_WAITED);
  observer.observe(root, { childList: true, subtree: true });
  function end() {
    observer.disconnect();
    clearTimeout(timer);
  }
}

/** Goes to the next proposal of the screen, from the last one to the first. */
export function focusNextStep(): void {
  const root = work();
  const steps = root ? stepsIn(root) : [];
  const at = steps.indexOf(document.activeElement as HTMLElement);
  (steps[at + 1] ?? steps[0])?.focus();
}

/** Where the work of a screen has several fields, Enter leads from one to the next. @returns what ends it. */
export function goOnByEnter(): () => void {
  const onKey = ({ key, target }: KeyboardEvent) => {
    if (key === "Enter" && target instanceof Element && target.matches(DONE_BY_ENTER)) focusNextStep();
  };
  document.addEventListener("keydown", onKey);
  return () => document.removeEventListener("keydown", onKey);
}
