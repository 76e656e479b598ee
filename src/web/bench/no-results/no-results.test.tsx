/** @jest-environment jsdom */
import { DeadEndAnswer } from "@core/settings/dead-end";
import { Settings } from "@core/settings/schema";
import { STRICTNESS, strictnessOf, withStrictness } from "@core/settings/strictness";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { START } from "../../shop/address";
import { useWindow } from "../state/window";
import Answers from "./answers/Answers";
import Fallbacks from "./fallbacks/Fallbacks";
import { Proposals } from "./page/Proposals";
import { Tips } from "./page/Tips";

const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
const { deadEnd } = Settings.parse({});

describe("how strictly a search is taken", () => {
  it.each(STRICTNESS)("is %s after it was chosen so, whatever it was before", (strictness) => {
    for (const before of STRICTNESS) {
      const set = { ...deadEnd, ...withStrictness({ ...deadEnd, ...withStrictness(deadEnd, before) }, strictness) };
      expect(strictnessOf(set)).toBe(strictness);
    }
  });

  it("leaves the other fallbacks in their order", () => {
    const ladder = ["synonyms", "partial", "joined"] as const;
    expect(withStrictness({ ladder: [...ladder] }, "always").ladder).toEqual(["synonyms", "joined", "partial", "category"]);
  });

  it("has no name where it is set otherwise", () => {
    expect(strictnessOf({ ladder: ["partial"], least: 42 })).toBeNull();
    expect(strictnessOf({ ladder: ["category", "partial"], least: 0 })).toBeNull();
  });
});

describe("the fallbacks", () => {
  const show = (more: object = {}) => showInBench(<Fallbacks />, { settings: { deadEnd: more } });
  const ways = () => screen.getAllByRole("radio").filter((radio) => radio.getAttribute("aria-checked") === "true");

  it("say how strictly a search is taken, and take another way at once", async () => {
    const { sent } = show(withStrictness(deadEnd, "half"));
    expect(ways()).toHaveLength(1);
    await userEvent.click(screen.getByRole("radio", { name: /Every word/ }));
    expect(Object.fromEntries(sent[0].map((operation) => [operation.path, "value" in operation && operation.value]))).toMatchObject({
      "/deadEnd/least": 100,
    });
  });

  it("say it in per cent where no name fits", () => {
    show({ ladder: ["partial"], least: 42 });
    expect(ways()).toEqual([]);
    expect(screen.getByText("Set otherwise below: 42 % of what was meant must be met.")).toBeTruthy();
  });

  it("are switched on behind those that are on, and off", async () => {
    const { sent } = show({ ladder: ["widening", "partial"], least: 0 });
    await userEvent.click(screen.getByRole("checkbox", { name: "Use weaker synonyms" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Use words that are close" }));
    expect(sent).toEqual([
      [{ op: "replace", path: "/deadEnd/ladder", value: ["widening", "partial", "synonyms"] }],
      [{ op: "replace", path: "/deadEnd/ladder", value: ["partial"] }],
    ]);
  });

  it("are in the order in which they are tried, those that are off behind", () => {
    show({ ladder: ["partial", "joined"], least: 0 });
    const names = screen.getAllByRole("checkbox").map((box) => box.getAttribute("aria-label"));
    expect(names.slice(0, 2)).toEqual(["Show what has most of the words", "Join and split words"]);
    expect(names).toHaveLength(5);
  });
});

describe("tips", () => {
  it("are added, written anew, and taken away by emptying or by a press", async () => {
    const onChange = jest.fn(async () => true);
    showInBench(<Tips tips={["Try fewer words", "Ask us"]} onChange={onChange} />);
    await userEvent.type(screen.getByLabelText("New tip"), "Try the botanical name{Enter}");
    await waitFor(() => expect(onChange).toHaveBeenLastCalledWith(["Try fewer words", "Ask us", "Try the botanical name"]));
    await userEvent.clear(screen.getByLabelText("Tip 2"));
    await userEvent.tab();
    expect(onChange).toHaveBeenLastCalledWith(["Try fewer words"]);
    await press("Remove tip 1");
    expect(onChange).toHaveBeenLastCalledWith(["Ask us"]);
  });

  it("are twenty at most", () => {
    showInBench(<Tips tips={Array.from({ length: 20 }, (_, i) => `Tip number ${i}`)} onChange={async () => true} />);
    expect(screen.queryByLabelText("New tip")).toBeNull();
  });
});

describe("what is proposed", () => {
  const show = (isTaken = true) => {
    const onSearches = jest.fn(async () => isTaken);
    const serve = (path: string, body: unknown) => {
      const words = (body as { words?: string[] } | undefined)?.words;
      return path.endsWith("/words/counts") && words ? Object.fromEntries(words.map((word) => [word, word === "zzz" ? 0 : 7])) : undefined;
    };
    showInBench(
      <Proposals searches={["pond plants", "zzz"]} products={[]} onSearches={onSearches} onProducts={() => undefined} name="terrapin" />,
      { serve },
    );
    return onSearches;
  };

  it("is not proposed twice", async () => {
    const onSearches = show();
    await userEvent.type(screen.getByLabelText("Search to propose for terrapin"), "pond plants{Enter}");
    await waitFor(() => expect(onSearches).toHaveBeenCalledWith(["pond plants", "zzz"]));
  });

  it("stays in the field when it is refused", async () => {
    const onSearches = show(false);
    const field = screen.getByLabelText<HTMLInputElement>("Search to propose for terrapin");
    await userEvent.type(field, "fish food{Enter}");
    await waitFor(() => expect(onSearches).toHaveBeenCalled());
    expect(field.value).toBe("fish food");
  });

  it("is taken out again", async () => {
    const onSearches = show();
    await press("Remove zzz from terrapin");
    expect(onSearches).toHaveBeenCalledWith(["pond plants"]);
  });
});

describe("own answers", () => {
  const ANSWER = DeadEndAnswer.parse({ searches: [{ match: "is", text: "terrapin" }], proposals: ["pond plants"], products: ["P1", "P2"] });
  const show = (outcome: string, query: string, answers: object = { t: ANSWER }) => {
    useWindow.setState({ address: { ...START, query }, draft: { outcome, state: { catalogue: 1 }, query: {}, hits: [] } as never });
    return showInBench(<Answers />, { settings: { deadEnd: { answers } } });
  };

  it("can be given to a search that finds nothing and has none", async () => {
    const { sent } = show("dead-end", "aquarium");
    await press("Answer “aquarium” itself");
    expect(sent[0]).toMatchObject([
      { op: "add", path: "/deadEnd/answers/aquarium", value: { searches: [{ match: "is", text: "aquarium" }], on: true } },
    ]);
  });

  it.each([
    ["results", "lavender"],
    ["dead-end", "  "],
  ])("cannot be given where the search comes to %s for “%s”", (outcome, query) => {
    show(outcome, query);
    expect(screen.queryByRole("button", { name: /^Answer/ })).toBeNull();
    expect(screen.getByText(/^Search something in the window/)).toBeTruthy();
  });

  it("are opened where there is one already, not made twice", async () => {
    show("dead-end", "Terrapin");
    expect(screen.queryByRole("button", { name: /^Answer/ })).toBeNull();
    await press("Open it");
    expect(screen.getByRole("button", { name: /terrapin/i, expanded: true })).toBeTruthy();
  });

  it("say what they hold, are switched and removed in their row", async () => {
    const { sent } = show("results", "lavender");
    expect(screen.getByText("1 search, 2 products")).toBeTruthy();
    await userEvent.click(screen.getByRole("switch", { name: "Answer for terrapin: on" }));
    await press("Remove the answer for terrapin");
    expect(sent).toEqual([
      [{ op: "replace", path: "/deadEnd/answers/t/on", value: false }],
      [{ op: "remove", path: "/deadEnd/answers/t" }],
    ]);
  });

  it("are tried in the window as they are opened, and written there", async () => {
    const { sent } = show("results", "lavender");
    await userEvent.click(screen.getByRole("button", { name: /terrapin.*1 search/, expanded: false }));
    expect(useWindow.getState().address.query).toBe("terrapin");
    await userEvent.type(screen.getByLabelText("Message for terrapin"), "We sell plants, not pets.{Tab}");
    await userEvent.type(screen.getByLabelText("Search to propose for terrapin"), "water lilies{Enter}");
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.flat()).toEqual([
      { op: "replace", path: "/deadEnd/answers/t/message", value: { en: "We sell plants, not pets." } },
      { op: "replace", path: "/deadEnd/answers/t/proposals", value: ["pond plants", "water lilies"] },
    ]);
  });

  it("keep a message that is refused where it was typed", async () => {
    const { answer } = show("results", "lavender");
    await userEvent.click(screen.getByRole("button", { name: /terrapin.*1 search/ }));
    answer.isTaken = false;
    await userEvent.type(screen.getByLabelText("Message for terrapin"), "Not us.{Tab}");
    await screen.findByText(/^Not saved/);
    expect(within(document.body).getByLabelText<HTMLInputElement>("Message for terrapin").value).toBe("Not us.");
  });
});
