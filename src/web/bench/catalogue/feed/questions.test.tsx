/** @jest-environment jsdom */
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { Questions } from "./Questions";
import { useFeed } from "./state";

Element.prototype.scrollIntoView = () => undefined;

const samples = { netto: ["5,50", "7,00"], brutto: ["6,55", "8,33"], bezeichnung: ["Red rose"] };
const show = (...questions: object[]) => {
  useFeed.setState({ wishes: {} });
  return showInBench(<Questions report={{ questions, samples } as never} />);
};
const choose = async (option: string) => {
  screen.getByRole("combobox").focus();
  await userEvent.keyboard("{Enter}");
  (await screen.findByRole("option", { name: option })).focus();
  await userEvent.keyboard("{Enter}");
};
const price = { role: "price", column: "netto", candidates: ["netto", "brutto"] };

describe("what is not sure of a first file", () => {
  it("is asked with what the column holds, and is right with one press", async () => {
    show(price);
    expect(screen.getByText("“5,50” “7,00”")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "That is right" }));
    expect(useFeed.getState().wishes).toEqual({ netto: { use: "field", role: "price", type: "number" } });
    expect(screen.getByLabelText("Answered")).toBeTruthy();
  });

  it("is another column, and the first one is a plain one then; or none of them", async () => {
    show(price);
    await choose("brutto");
    expect(useFeed.getState().wishes).toEqual({
      netto: { use: "field", role: "attribute" },
      brutto: { use: "field", role: "price", type: "number" },
    });
    expect(screen.getByText("“6,55” “8,33”")).toBeTruthy();
    await choose("none of them");
    expect(useFeed.getState().wishes).toMatchObject({ netto: { role: "attribute" }, brutto: { role: "attribute" } });
  });

  it("is nothing where all is sure, and where a file of former times says nothing of it", () => {
    expect(show().container.textContent).toBe("");
  });
});
