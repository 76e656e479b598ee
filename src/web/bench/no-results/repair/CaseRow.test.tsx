/** @jest-environment jsdom */
import type { Repair, RepairCase } from "@contract/no-results";
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useWindow } from "../../state/window";
import { CaseRow } from "./CaseRow";
import { sayNext, sayRepair } from "./say";

const CASE: RepairCase = {
  text: "slug pellets",
  texts: ["slug pellets", "slug pelets", "slugpellets", "slug pellet", "pellets slug", "slugs pellets"].map((text) => ({ text, asked: 3 })),
  cause: "nothing",
  asked: 41,
  lost: 39,
  since: "2026-10-01T08:00:00Z",
  lastAt: "2026-11-20T08:00:00Z",
  next: [{ text: "slug", times: 9 }],
  total: 0,
  weak: [],
  corrected: null,
};
const word = (value: object) => ({ part: "words", value: { on: true, ...value } }) as Repair["entry"];
const repair = (more: object = {}): Repair =>
  ({
    kind: "also",
    reason: "Those who searched for it clicked on slug traps.",
    entry: word({ does: "one-way", words: ["slug pellets"], to: ["slug trap"], quality: 0.9 }),
    outcome: "results",
    total: 6,
    titles: ["Copper tape", "Slug trap"],
    ...more,
  }) as Repair;

function show(repairs: Repair[] | undefined, { isOpen = false, entry = CASE }: { isOpen?: boolean; entry?: RepairCase } = {}) {
  const spies = { onOpen: jest.fn(), onChoose: jest.fn(), onTake: jest.fn() };
  const asked: { path: string; body: unknown }[] = [];
  showInBench(<CaseRow entry={entry} repairs={repairs} isOpen={isOpen} isChosen={false} {...spies} />, {
    serve(path, body) {
      asked.push({ path, body });
      return path.endsWith("/repair/aside") ? {} : undefined;
    },
  });
  return { ...spies, asked };
}
const press = (name: string | RegExp) => userEvent.click(screen.getAllByRole("button", { name })[0]);

describe("a search that fails", () => {
  it("says how it fails, how much is lost, and the likeliest repair", () => {
    show([repair()]);
    expect([screen.getByText("finds nothing").tagName, screen.getByText("39 lost").title]).toEqual([
      "SPAN",
      "41 times asked, 39 without a click",
    ]);
    expect(screen.getByText(/also finds/).closest("[title]")?.textContent).toBe("slug pellets also finds slug trap · finds 6 products");
  });

  it.each([
    [undefined, "Looking for a repair …"],
    [[], "Nothing to propose"],
  ])("says whether there is a repair: %j", (repairs, said) => {
    show(repairs);
    expect(screen.getByText(said)).toBeTruthy();
  });

  it("has a repair tried beside the draft before it is accepted", async () => {
    const { onTake } = show([repair()]);
    await press("Try");
    expect(useWindow.getState()).toMatchObject({
      address: { query: "slug pellets" },
      proposal: { name: "Repair of “slug pellets”", patch: [{ op: "add", path: "/words/slug-pellets" }] },
    });
    await press("Accept");
    expect(onTake).toHaveBeenCalledWith(repair());
    expect(useWindow.getState().proposal).toBeNull();
  });

  it("says since when, what was searched next and how else it was written, once opened", () => {
    show([repair(), repair({ kind: "redirect", entry: { part: "shelves", value: { name: "Slugs" } } })], { isOpen: true });
    const text = document.body.textContent ?? "";
    expect(text).toMatch(/Asked 41 times, since .*\. .*With “slug pelets”, “slugpellets”, “slug pellet”, “pellets slug” and 1 more\./);
    expect(text).toContain("finds 6 products: Copper tape, Slug trap");
    expect(text).toContain("leads there");
  });

  it("is ignored with a reason, or for the usual one", async () => {
    const { asked } = show([], { isOpen: true });
    await userEvent.type(screen.getByLabelText("Why slug pellets is not repaired"), "we sell none{Enter}");
    await waitFor(() => expect(asked.some(({ path }) => path.endsWith("/repair/aside"))).toBe(true));
    expect(asked.find(({ path }) => path.endsWith("/repair/aside"))?.body).toEqual({ text: "slug pellets", reason: "we sell none" });
    await waitFor(() => expect(screen.getByRole("button", { name: "Ignore" }).hasAttribute("disabled")).toBe(false));
    await press("Ignore");
    await waitFor(() => expect(asked.filter(({ path }) => path.endsWith("/repair/aside"))).toHaveLength(2));
    expect(asked.findLast(({ path }) => path.endsWith("/repair/aside"))?.body).toEqual({ text: "slug pellets", reason: "not our range" });
  });

  it("is chosen, opened and tried", async () => {
    const { onChoose, onOpen } = show([repair()]);
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose slug pellets" }));
    await press("All about slug pellets");
    expect([onChoose.mock.calls, onOpen.mock.calls.length]).toEqual([[[true]], 1]);
    await press("slug pellets");
    expect(useWindow.getState().address.query).toBe("slug pellets");
  });
});

describe("a repair in words", () => {
  const label = (key: string) => key.toUpperCase();

  it.each([
    ["also", word({ does: "synonym", words: ["spade", "shovel"] }), ["spade", "means the same as", "shovel"]],
    ["read", word({ does: "rewrite", words: ["fuschia"], to: ["fuchsia"] }), ["fuschia", "is read as", "fuchsia"]],
    ["stand", word({ does: "intent", words: ["gift"], target: { selection: "gifts" } }), ["gift", "means", "a selection"]],
    ["stand", word({ does: "intent", words: ["moss"], target: { field: "brand", value: "Moss" } }), ["moss", "means", "Moss"]],
    ["ignore", word({ does: "ignore", words: ["the"] }), ["the", "is ignored", ""]],
    [
      "group",
      { part: "groups", value: { label: { en: "Red" }, values: ["a", "b", "c", "d", "e"] } },
      ["Red", "is a group of values", "a, b, c, d"],
    ],
    ["field", { part: "attributes", key: "soil", value: {} }, ["", "search in", "SOIL"]],
    ["answer", { part: "answers", value: { searches: [{ text: "terrapin" }] } }, ["terrapin", "gets an answer of its own", ""]],
  ])("%s: %j", (kind, entry, [of, does, to]) => {
    expect(sayRepair({ kind, entry } as never, label)).toEqual({ of, does, to });
  });

  it("says what became of those who searched in vain", () => {
    expect(sayNext(CASE)).toContain("slug");
    expect(sayNext({ ...CASE, next: [] })).not.toContain("slug");
  });
});
