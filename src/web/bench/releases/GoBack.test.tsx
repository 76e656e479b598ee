/** @jest-environment jsdom */
import { Settings } from "@core/settings/schema";
import { fireEvent, screen, waitFor } from "@testing-library/react";
import { showInBench } from "@tests/support/bench";
import { useBench } from "../state/bench";
import { GoBack } from "./GoBack";

const words = { w: { does: "synonym" as const, words: ["spade", "shovel"] } };
const boosts = Object.fromEntries(
  Array.from({ length: 8 }, (_, i) => [`b${i}`, { name: `Boost ${i}`, condition: { field: "brand", is: "Own" }, factor: 2 }]),
);

function show(now: object, then: object = {}) {
  const restored: [number, boolean][] = [];
  const restore = async (number: number, isDraftToo: boolean) => void restored.push([number, isDraftToo]);
  const onEnd = jest.fn();
  useBench.setState({ restore });
  showInBench(<GoBack number={3} onEnd={onEnd} />, {
    settings: now,
    serve: () => ({ number: 3, note: "", by: "Maud", at: "2026-11-01T10:00:00Z", settings: Settings.parse(then) }),
  });
  return { restored, onEnd };
}

describe("before the shop goes back to a release", () => {
  it("the changes that the draft would bring back are said", async () => {
    const { restored, onEnd } = show({ words });
    expect(await screen.findByText("1 change")).toBeTruthy();
    expect(screen.getByText(/spade/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Make release 3 live" }));
    await waitFor(() => expect(onEnd).toHaveBeenCalled());
    expect(restored).toEqual([[3, false]]);
  });

  it("the draft can go back as well; what is more than a few is counted", async () => {
    const { restored } = show({ boosts });
    expect(await screen.findByText("8 changes")).toBeTruthy();
    expect(screen.getByText("and 2 more")).toBeTruthy();
    fireEvent.click(screen.getByRole("checkbox", { name: "Set the draft back as well" }));
    fireEvent.click(screen.getByRole("button", { name: "Make release 3 live" }));
    await waitFor(() => expect(restored).toEqual([[3, true]]));
  });

  it("a draft that has nothing else has nothing to say, and whoever cancels leaves all as it is", async () => {
    const { restored, onEnd } = show({ words }, { words });
    expect(await screen.findByText(/The draft is as it was at release 3/)).toBeTruthy();
    expect(screen.queryByRole("checkbox")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "Cancel" }));
    expect(onEnd).toHaveBeenCalled();
    expect(restored).toEqual([]);
  });
});
