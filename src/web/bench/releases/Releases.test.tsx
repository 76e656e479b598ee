/** @jest-environment jsdom */
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useBench } from "../state/bench";
import Releases from "./Releases";

const change = { part: "words", id: "w", subject: "spade", text: "means the same as shovel", kind: "added" };
const made = (number: number, note: string) => ({ number, note, by: "Maud", at: "2026-11-01T10:00:00Z" });

const edit = (revision: number, by: string, weight: [number, number], more: object = {}) => ({
  revision,
  kind: "edit",
  target: null,
  patch: [{ op: "replace", path: "/attributes/brand/weight", value: weight[1] }],
  inverse: [{ op: "replace", path: "/attributes/brand/weight", value: weight[0] }],
  by,
  at: "2026-11-01T10:00:00Z",
  isUndone: false,
  ...more,
});

function show(open: object, actions: object = {}, { people = {}, history = [] as object[] } = {}) {
  useBench.setState(actions);
  const settings = { attributes: { brand: { searchable: true, weight: 4 } } };
  const serve = (path: string) => (path.endsWith("/draft/changes") ? { people } : path.includes("/draft/history") ? history : undefined);
  return showInBench(<Releases />, { settings, open: { changes: [], releases: [], revision: 3, ...open }, serve });
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

  it("say whose each change is, and lead to it", async () => {
    show({ changes: [change, { ...change, id: "v", subject: "fork" }] }, {}, { people: { words: ["Ida"], "words/w": ["Maud", "Perrin"] } });
    expect(await screen.findByText("Maud, Perrin")).toBeTruthy();
    // What is not known of an entry is known of its part.
    expect(screen.getByText("Ida")).toBeTruthy();
    expect(screen.getByRole("link", { name: "spade" }).getAttribute("href")).toBe("/bench/corner/words/rules?open=w");
  });

  it("tell every change of the draft in words, and undo or redo one of them alone", async () => {
    const [undo, redo] = [jest.fn(async () => null), jest.fn(async () => null)];
    const history = [
      edit(3, "Maud", [6, 4]),
      edit(2, "Perrin", [8, 6], { isUndone: true }),
      edit(1, "Ida", [2, 8]),
      { ...edit(0, "import", [1, 2]), patch: [], inverse: [] },
    ];
    show({}, { undo, redo }, { history });
    const section = (await screen.findByRole("heading", { name: "History of the draft" })).closest("section") as HTMLElement;
    const lines = (await within(section).findAllByRole("listitem")).map((line) => line.textContent);
    expect(lines[0]).toMatch(/Brand weight 6 → 4Maud.*Undo/);
    expect(lines[1]).toMatch(/Brand weight 8 → 6Perrin.*Redo/);
    expect(lines[2]).toMatch(/Brand weight 2 → 8Ida.*Undo/);
    // What an import adds is not taken away again here.
    expect(lines[3]).toMatch(/^[^U]*New fields of the catalogue Import$/);
    await userEvent.click(within(section).getAllByRole("button", { name: "Undo" })[1]);
    expect(undo).toHaveBeenCalledWith(1);
    await userEvent.click(within(section).getByRole("button", { name: "Redo" }));
    expect(redo).toHaveBeenCalledWith(2);
  });

  it("have nothing to release when the draft is what is live", () => {
    show({ release: 2, releases: [made(2, "Second")] });
    expect(screen.getByText("No unreleased changes. Live: release 2.")).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Release" }).disabled).toBe(true);
  });
});
