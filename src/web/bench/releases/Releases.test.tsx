/** @jest-environment jsdom */
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { useBench } from "../state/bench";
import Releases from "./Releases";

const change = { part: "words", id: "w", subject: "spade", text: "means the same as shovel", kind: "added" };
const made = (number: number, note: string) => ({ number, note, by: "Maud", at: "2026-11-01T10:00:00Z" });

function show(open: object, actions: object = {}) {
  useBench.setState({ open: { store: { id: "corner" }, changes: [], releases: [], release: null, ...open } as never, ...actions });
  return render(<Releases />, { wrapper: MemoryRouter });
}

describe("releases", () => {
  it("keep what was typed when the release is refused, and clear it once it is taken", async () => {
    const notes: string[] = [];
    let isTaken = false;
    const releaseDraft = async (note: string) => {
      notes.push(note);
      return isTaken;
    };
    show({ changes: [change], release: 1, releases: [made(1, "First")] }, { releaseDraft });
    const note = screen.getByLabelText<HTMLInputElement>("Note");
    await userEvent.type(note, "  Words for tools{Enter}");
    await waitFor(() => expect(notes).toEqual(["Words for tools"]));
    expect(note.value).toBe("  Words for tools");
    isTaken = true;
    await userEvent.click(screen.getByRole("button", { name: "Release 1 change" }));
    await waitFor(() => expect(note.value).toBe(""));
    expect(notes).toHaveLength(2);
  });

  it("are not sent twice while one is under way", async () => {
    let times = 0;
    const releaseDraft = () => {
      times++;
      return new Promise<boolean>(() => undefined);
    };
    show({ changes: [change] }, { releaseDraft });
    const button = screen.getByRole<HTMLButtonElement>("button", { name: "Release 1 change" });
    await userEvent.click(button);
    expect(button.disabled).toBe(true);
    await userEvent.click(button);
    expect(times).toBe(1);
  });

  it("say what changed, where, and what is live", () => {
    show({ changes: [change], release: 2, releases: [made(2, "Second"), made(1, "")] });
    expect(within(screen.getByRole("region", { name: "Changes in Words" })).getByText("spade")).toBeTruthy();
    const list = screen.getAllByRole("listitem");
    const second = list.find((entry) => entry.textContent?.includes("Second"));
    expect(second && within(second).getByText("live now")).toBeTruthy();
    expect(screen.getByText("No note")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Go back to release 1" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Go back to release 2" })).toBeNull();
  });

  it("have nothing to release when the draft is what is live", () => {
    show({ release: 2, releases: [made(2, "Second")] });
    expect(screen.getByText("No unreleased changes. Live: release 2.")).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Release" }).disabled).toBe(true);
  });
});
