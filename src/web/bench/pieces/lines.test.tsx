/** @jest-environment jsdom */
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { AddLine } from "./AddLine";
import { NumberLine } from "./NumberLine";

describe("a number within bounds", () => {
  const type = async (text: string, emptied?: () => void) => {
    const taken: number[] = [];
    render(<NumberLine label="Per page" value={24} min={4} max={100} onCommit={(n) => taken.push(n)} onEmpty={emptied} />);
    const input = screen.getByLabelText("Per page");
    await userEvent.clear(input);
    await userEvent.type(input, `${text}{Enter}`);
    return taken;
  };

  it.each([
    ["36", [36]],
    ["36,4", [36]],
    [" 12 ", [12]],
    ["3", []],
    ["1000", []],
    ["many", []],
  ])("takes of “%s” %j", async (text, numbers) => {
    expect(await type(text)).toEqual(numbers);
  });

  it("may be emptied where that means something", async () => {
    let times = 0;
    expect(await type("", () => times++)).toEqual([]);
    expect(times).toBe(1);
  });
});

describe("a line to add something", () => {
  it("adds what was typed without the spaces around it, and is empty then", async () => {
    const added: string[] = [];
    render(<AddLine label="Tip" placeholder="" onAdd={(text) => added.push(text) > 0} />);
    const input = screen.getByLabelText<HTMLInputElement>("Tip");
    const button = screen.getByRole<HTMLButtonElement>("button", { name: "Add" });
    expect(button.disabled).toBe(true);
    await userEvent.type(input, "   {Enter}");
    expect(added).toEqual([]);
    await userEvent.type(input, " Try the botanical name ");
    await userEvent.click(button);
    await waitFor(() => expect([added, input.value]).toEqual([["Try the botanical name"], ""]));
  });

  it("keeps what cannot be added", async () => {
    const sent: string[] = [];
    const refuse = async (text: string) => sent.push(text) < 1;
    render(<AddLine label="Tip" placeholder="" onAdd={refuse} />);
    const input = screen.getByLabelText<HTMLInputElement>("Tip");
    await userEvent.type(input, "shop.example{Enter}");
    await waitFor(() => expect(sent).toEqual(["shop.example"]));
    expect(input.value).toBe("shop.example");
  });
});
