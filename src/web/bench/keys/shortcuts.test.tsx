/** @jest-environment jsdom */
import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import ShortcutList from "./ShortcutList";
import { isPressed, SHORTCUTS, type ShortcutId, sayKeys, useShortcut } from "./shortcuts";

const key = (key: string, more: object = {}) => ({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...more });

function Page() {
  const [times, setTimes] = useState(0);
  useShortcut("results", () => setTimes(times + 1));
  useShortcut("palette", () => setTimes(times + 10));
  return (
    <>
      <input aria-label="field" />
      <div role="dialog">
        <button type="button">in a dialog</button>
      </div>
      <output>{times}</output>
    </>
  );
}

describe("a shortcut", () => {
  it.each<[ShortcutId, object, boolean]>([
    ["undo", key("z", { ctrlKey: true }), true],
    ["undo", key("z", { metaKey: true }), true],
    ["undo", key("Z", { ctrlKey: true, shiftKey: true }), false],
    ["redo", key("Z", { ctrlKey: true, shiftKey: true }), true],
    ["undo", key("z"), false],
    ["pin", key("p"), true],
    ["pin", key("p", { ctrlKey: true }), false],
    ["help", key("?", { shiftKey: true }), true],
    // Where the bracket lies on another level of the keyboard.
    ["next", key("]", { ctrlKey: true, altKey: true }), true],
    ["search", key("/", { shiftKey: true }), true],
  ])("%s, for %j: %s", (id, event, is) => {
    expect(isPressed(id, event as never)).toBe(is);
  });

  it("is told by its key alone, so no two are the same", () => {
    const all = Object.values(SHORTCUTS).map(({ key, ...more }) => [key, "mod" in more, "shift" in more].join());
    expect(new Set(all).size).toBe(all.length);
  });

  it("is taken from anywhere but where somebody types or answers a dialog, unless it is for there too", () => {
    render(<Page />);
    const times = () => screen.getByRole("status").textContent;
    fireEvent.keyDown(document.body, { key: "r" });
    fireEvent.keyDown(document.body, { key: "r" });
    expect(times()).toBe("2");
    fireEvent.keyDown(screen.getByLabelText("field"), { key: "r" });
    fireEvent.keyDown(screen.getByRole("button"), { key: "r" });
    expect(times()).toBe("2");
    fireEvent.keyDown(screen.getByLabelText("field"), { key: "k", ctrlKey: true });
    expect(times()).toBe("12");
  });

  it("is in the list, with how it is written", () => {
    render(<ShortcutList onClose={() => undefined} />);
    for (const { does } of Object.values(SHORTCUTS)) expect(screen.getByText(does)).toBeTruthy();
    expect(sayKeys("redo")).toBe("Ctrl Shift Z");
  });
});
