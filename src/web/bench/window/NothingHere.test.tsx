/** @jest-environment jsdom */
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { NothingHere } from "./NothingHere";

const show = (settings: object = {}) => showInBench(<NothingHere query="aquarium pump" />, { settings });
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));
const at = ({ router }: ReturnType<typeof show>) => router.state.location.pathname + router.state.location.search;

describe("where a search finds nothing", () => {
  it("one press makes an answer of its own and leads to it", async () => {
    const shown = show();
    await press("Answer it itself");
    expect(shown.sent).toEqual([
      [
        {
          op: "add",
          path: "/deadEnd/answers/aquarium-pump",
          value: expect.objectContaining({ searches: [{ match: "is", text: "aquarium pump" }], products: [], on: true }),
        },
      ],
    ]);
    expect(at(shown)).toBe("/bench/corner/no-results/answers?open=aquarium-pump");
  });

  it("an answer that it has already is opened", async () => {
    const shown = show({ deadEnd: { answers: { mine: { searches: [{ match: "is", text: "Aquarium pump" }] } } } });
    await press("Change its answer");
    expect([shown.sent, at(shown)]).toEqual([[], "/bench/corner/no-results/answers?open=mine"]);
  });

  it("its words are given a meaning", async () => {
    const shown = show();
    await press("Give it a meaning");
    expect(at(shown)).toBe("/bench/corner/words/rules?word=aquarium%20pump");
  });
});
