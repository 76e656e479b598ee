/** @jest-environment jsdom */
import type { PatchOperation } from "@core/settings/patch";
import { Settings } from "@core/settings/schema";
import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { answers } from "../ask/client";
import { useBench } from "../state/bench";
import { BLANK, draftOf, RuleForm } from "./RuleForm";

/** Shows the form over a draft; edits are kept, and taken or refused as the test says. */
function show(words: Settings["words"] = {}, id: string | null = null) {
  const settings = Settings.parse({ words });
  const sent: PatchOperation[][] = [];
  const answer = { isTaken: true };
  const edit = async (patch: readonly PatchOperation[]) => {
    sent.push([...patch]);
    return answer.isTaken;
  };
  // Counts and trials are not what is looked at here: they never come.
  globalThis.fetch = (() => new Promise(() => undefined)) as typeof fetch;
  const store = { id: "corner", languages: ["en"] };
  useBench.setState({ open: { store, settings, live: settings, fields: [], revision: 1, release: null } as never, edit } as never);
  let done = 0;
  const start = id === null ? BLANK : draftOf(settings.words[id]);
  render(
    <QueryClientProvider client={answers}>
      <MemoryRouter>
        <RuleForm id={id} start={start} onDone={() => done++} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { sent, answer, done: () => done };
}
const button = (name: string) => screen.getByRole<HTMLButtonElement>("button", { name });

describe("the form of a word rule", () => {
  it("makes a rule of what is typed, and is empty afterwards", async () => {
    const { sent, done } = show();
    expect(button("Add the rule").disabled).toBe(true);
    await userEvent.type(screen.getByLabelText("Words"), "aubergine, eggplant");
    await userEvent.click(button("Add the rule"));
    const value = { does: "synonym", words: ["aubergine", "eggplant"], quality: 0.9, on: true };
    expect(sent).toEqual([[{ op: "add", path: "/words/aubergine", value }]]);
    await waitFor(() => expect(button("Add the rule").disabled).toBe(true));
    expect(screen.queryByText("aubergine")).toBeNull();
    expect(done()).toBe(1);
  });

  it("keeps what was typed when the rule is refused", async () => {
    const { sent, answer, done } = show();
    answer.isTaken = false;
    await userEvent.type(screen.getByLabelText("Words"), "aubergine, eggplant");
    await userEvent.click(button("Add the rule"));
    await waitFor(() => expect(button("Add the rule").disabled).toBe(false));
    expect(sent).toHaveLength(1);
    expect(done()).toBe(0);
    answer.isTaken = true;
    await userEvent.click(button("Add the rule"));
    expect(sent[1]).toEqual(sent[0]);
    await waitFor(() => expect(done()).toBe(1));
  });

  it("does not make a rule that is there already, and says so", async () => {
    show({ w: { does: "synonym", words: ["aubergine", "eggplant"], quality: 0.9, on: true } });
    await userEvent.type(screen.getByLabelText("Words"), "eggplant, aubergine");
    expect(button("Add the rule").disabled).toBe(true);
  });

  it("changes a rule under the id that it has", async () => {
    const { sent } = show({ tools: { does: "one-way", words: ["trowel"], to: ["spade"], quality: 0.8, on: false } }, "tools");
    await userEvent.type(screen.getByLabelText("Words"), "dibber, ");
    await userEvent.click(screen.getAllByRole("button").find((entry) => entry.getAttribute("type") === "submit") as HTMLElement);
    const value = { does: "one-way", words: ["trowel", "dibber"], to: ["spade"], quality: 0.8, on: false };
    expect(sent).toEqual([[{ op: "add", path: "/words/tools", value }]]);
  });
});
