/** @jest-environment jsdom */
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { WalkSearches } from "./WalkSearches";

const counted = { asked: 40, lastWeek: 4, clicked: 10, found: 3, meanPlace: 2 };
const none = { asked: 0, lastWeek: 0, clicked: 0, found: 0, meanPlace: 0 };

describe("the searches to step through", () => {
  it("are all in a list, with what shoppers or colleagues made of them, and each is tried by a press", async () => {
    const onPick = jest.fn();
    const searches = [
      { text: "rose", ...counted },
      { text: "fern", ...none, judged: { good: 2, bad: 1, by: "Maud" } },
      { text: "moss", ...none },
    ];
    render(<WalkSearches searches={searches} place={1} onPick={onPick} />);
    await userEvent.click(screen.getByRole("button", { name: "List of searches: 2 of 3" }));
    const rows = within(await screen.findByRole("list")).getAllByRole("button");
    expect(rows.map(({ textContent }) => textContent)).toEqual(["rose40 ×, 25 % clicked", "fern2 good, 1 bad, Maud", "moss"]);
    expect(rows.map((row) => row.getAttribute("aria-current"))).toEqual([null, "true", null]);
    await userEvent.click(rows[2]);
    expect(onPick).toHaveBeenCalledWith(2);
    expect(screen.queryByRole("list")).toBeNull();
  });

  it("say when there are none", () => {
    render(<WalkSearches searches={[]} place={-1} onPick={() => undefined} />);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "List of searches: none" }).disabled).toBe(true);
  });
});
