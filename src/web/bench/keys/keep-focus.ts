const CONTROLS = "a[href], button:not([disabled]), input:not([disabled]), select:not([disabled]), textarea:not([disabled]), [tabindex='0']";
const ROWS = "li, tr, [role=row], [role=listitem]";
const MOST_BEFORE = 30;

const nameOf = (element: Element) =>
  element.getAttribute("aria-label") ?? element.getAttribute("name") ?? element.textContent?.trim() ?? "";

/**
 * Keeps the focus where somebody works when what had it goes away: in a row that is done, to the same control of the next one; in a panel
 * that is closed, to where it was opened; in what is drawn anew, to what has its place. Browsers let it fall back to the page, and
 * whoever works by keyboard begins again at the top.
 * @param root within which focus is kept. @returns what ends it.
 */
export function keepFocus(root: HTMLElement): () => void {
  /** What had the focus, the latest last. */
  let before: Element[] = [];
  const onFocus = ({ target }: FocusEvent) => {
    if (!(target instanceof Element)) return;
    before = [...before.filter((element) => element !== target && element.isConnected), target].slice(-MOST_BEFORE);
  };
  const observer = new MutationObserver((records) => {
    const last = before.at(-1);
    const { activeElement, body } = document;
    if (!last || last.isConnected || (activeElement !== body && activeElement !== null)) return;
    const record = records.find(({ removedNodes }) => [...removedNodes].some((node) => node.contains(last)));
    const removed = record && [...record.removedNodes].find((node) => node.contains(last));
    if (!record || !(removed instanceof Element)) return;
    const next = successor(last, removed, record, before) ?? root.querySelector("main");
    if (next instanceof HTMLElement) next.focus({ preventScroll: true });
  });
  root.addEventListener("focusin", onFocus);
  observer.observe(root, { childList: true, subtree: true });
  return () => {
    root.removeEventListener("focusin", onFocus);
    observer.disconnect();
  };
}

function successor(
  last: Element,
  removed: Element,
  { target, nextSibling, previousSibling }: MutationRecord,
  before: Element[],
): Element | null {
  // Another screen: its work begins at its top.
  if (removed.querySelector("h1")) return null;
  const parent = target as Element;
  if (!parent.isConnected) return before.findLast((element) => element.isConnected) ?? null;
  const row = last.closest(ROWS);
  const isRow = row !== null && removed.contains(row);
  const alike = (within: Element | null) => {
    const controls = within ? [...within.querySelectorAll(CONTROLS), ...(within.matches(CONTROLS) ? [within] : [])] : [];
    return (
      controls.find((control) => nameOf(last) !== "" && nameOf(control) === nameOf(last)) ??
      (isRow ? controls[placeIn(removed, last)] : undefined) ??
      null
    );
  };
  if (!isRow)
    return alike(parent) ?? before.findLast((element) => element.isConnected && !removed.contains(element)) ?? controlNear(parent);
  const rows = [nextSibling, previousSibling].filter((sibling): sibling is Element => sibling instanceof Element && sibling.isConnected);
  for (const sibling of rows) {
    const found = alike(sibling) ?? sibling.querySelector(CONTROLS);
    if (found) return found;
  }
  return controlNear(parent);
}

/** Which of the controls within an element it is. */
const placeIn = (removed: Element, control: Element) => [...removed.querySelectorAll(CONTROLS)].indexOf(control);

/** The first control in an element, or in what it stands in. */
function controlNear(element: Element | null): Element | null {
  for (let within = element; within && !within.matches("main, body"); within = within.parentElement) {
    const found = within.querySelector(CONTROLS);
    if (found) return found;
  }
  return null;
}
