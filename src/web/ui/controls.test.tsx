/** @jest-environment jsdom */
import { fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { Checkbox, Segments, Slider, TextLine, Toggle } from "./controls";

/** A page whose value follows the move. */
function Following({ onCommit }: { onCommit: (value: number) => void }) {
  const [value, setValue] = useState(5);
  return <Slider value={value} max={10} step={1} label="Weight" onMove={setValue} onCommit={onCommit} />;
}

describe("a line of text", () => {
  const show = (value: string) => {
    const taken: string[] = [];
    const view = render(<TextLine label="Owner" value={value} onCommit={(text) => taken.push(text)} />);
    return { taken, input: screen.getByLabelText<HTMLInputElement>("Owner"), ...view };
  };

  it("is taken over on Enter and on leaving, once, and not while it is as it was", async () => {
    const { taken, input } = show("Maud");
    await userEvent.click(input);
    await userEvent.tab();
    expect(taken).toEqual([]);
    await userEvent.type(input, " E{Enter}");
    expect(taken).toEqual(["Maud E"]);
  });

  it("is as it was after Escape", async () => {
    const { taken, input } = show("Maud");
    await userEvent.type(input, "ine{Escape}");
    expect(input.value).toBe("Maud");
    await userEvent.tab();
    expect(taken).toEqual([]);
  });

  it("follows what somebody else writes", () => {
    const { input, rerender } = show("Maud");
    rerender(<TextLine label="Owner" value="Perrin" onCommit={() => undefined} />);
    expect(input.value).toBe("Perrin");
  });
});

function Switches() {
  const [on, setOn] = useState(false);
  const [ticked, setTicked] = useState(true);
  const [kind, setKind] = useState<"grid" | "list">("grid");
  return (
    <>
      <Toggle checked={on} label="On" onChange={setOn} />
      <Checkbox checked={ticked} label="Title" onChange={setTicked} />
      <Segments
        value={kind}
        label="Show results as"
        options={[
          { value: "grid", label: "a grid" },
          { value: "list", label: "a list" },
        ]}
        onChange={setKind}
      />
      <output>{[on, ticked, kind].join(" ")}</output>
    </>
  );
}

describe("what is switched and chosen", () => {
  it("by pointer and by keyboard; of several one is always chosen", async () => {
    render(<Switches />);
    const state = () => screen.getByRole("status").textContent;
    await userEvent.click(screen.getByRole("switch", { name: "On" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Title" }));
    await userEvent.click(screen.getByRole("radio", { name: "a list" }));
    expect(state()).toBe("true false list");
    await userEvent.click(screen.getByRole("radio", { name: "a list" }));
    expect(state()).toBe("true false list");
    screen.getByRole("switch", { name: "On" }).focus();
    await userEvent.keyboard(" ");
    expect(state()).toBe("false false list");
  });

  it("a slider tells each step while it moves, and takes over the last", () => {
    const moved: number[] = [];
    const taken: number[] = [];
    render(<Slider value={5} was={3} max={10} step={1} label="Weight" onMove={(n) => moved.push(n)} onCommit={(n) => taken.push(n)} />);
    const thumb = screen.getByRole("slider", { name: "Weight" });
    fireEvent.keyDown(thumb, { key: "ArrowRight" });
    expect([moved, taken]).toEqual([[6], [6]]);
    expect(screen.getByTitle("Live: 3")).toBeTruthy();
  });

  it("a slider takes over every key, one after the other, also where its page follows the move", () => {
    const taken: number[] = [];
    render(<Following onCommit={(next) => taken.push(next)} />);
    const thumb = screen.getByRole("slider", { name: "Weight" });
    for (const key of ["Home", "End", "ArrowLeft", "ArrowLeft"]) fireEvent.keyDown(thumb, { key });
    expect(taken).toEqual([0, 10, 9, 8]);
  });
});
