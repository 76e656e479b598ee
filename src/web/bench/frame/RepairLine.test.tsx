/** @jest-environment jsdom */
import { fireEvent, screen, waitFor } from "@testing-library/react";
import { showInBench } from "@tests/support/bench";
import { Toasts } from "@ui/Toasts";
import { useBench } from "../state/bench";
import { RepairLine } from "./RepairLine";

function show(repair: { why: string; release: number | null } | null, given: unknown = { revision: 8 }) {
  const page = (
    <>
      <RepairLine />
      <Toasts />
    </>
  );
  const asked: string[] = [];
  const reload = jest.fn();
  useBench.setState({ reload });
  const serve = (path: string) => {
    asked.push(path);
    return given;
  };
  showInBench(page, { open: { store: { id: "corner", repair } }, serve });
  return { asked, reload };
}

test("what was lost or damaged of what is kept is said, with nothing to press", () => {
  const damage = "Products or pages that are damaged are left out: A1. Import the feed again.";
  showInBench(<RepairLine />, { open: { store: { id: "corner", repair: null, damage } } });
  expect(screen.getByRole("alert").textContent).toBe(`Something that is kept was damaged. ${damage}`);
  expect(screen.queryByRole("button")).toBeNull();
});

describe("a draft that cannot be read", () => {
  it("is not spoken of where all is well", () => {
    show(null);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("says why, what the shop does meanwhile, and is started anew by a press", async () => {
    const { asked, reload } = show({ why: "It is damaged.", release: 3 });
    expect(screen.getByRole("alert").textContent).toMatch(/cannot be read.*It is damaged.*goes on with release 3/);
    fireEvent.click(screen.getByRole("button", { name: "Start the draft from release 3" }));
    await waitFor(() => expect(reload).toHaveBeenCalledTimes(1));
    expect(asked).toEqual(["/api/stores/corner/draft/anew"]);
  });

  it("goes on with the usual settings where no release can be read; a refusal is said", async () => {
    const { reload } = show({ why: "It is damaged.", release: null }, new Error("There is no space left."));
    fireEvent.click(screen.getByRole("button", { name: "Start the draft from the usual settings" }));
    expect(await screen.findByText("There is no space left.")).toBeTruthy();
    expect(reload).not.toHaveBeenCalled();
  });
});
