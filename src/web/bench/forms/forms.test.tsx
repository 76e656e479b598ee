/** @jest-environment jsdom */
import { Hide } from "@core/settings/schema";
import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { z } from "zod";
import { Line, Lines } from "../pieces/Lines";
import { NumberLine } from "../pieces/NumberLine";
import { BoostForm } from "../ranking/boosts/BoostForm";
import { HideForm } from "../shelves/hidden/HideForm";
import { LeaveQuestion } from "./LeaveQuestion";
import { useLeaving } from "./leave";
import { useLiveForm } from "./useLiveForm";

const button = (name: string | RegExp) => screen.getByRole<HTMLButtonElement>("button", { name });
const input = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const typeOver = async (name: string, text: string) => {
  await userEvent.clear(input(name));
  await userEvent.type(input(name), text);
};
const BOOST = {
  name: "Own brand",
  condition: { all: [{ field: "brand", is: "Quillmoor" }] },
  factor: 1.2,
  on: true,
  from: null,
  until: null,
  owner: null,
  review: null,
};

describe("a rule that is filled in", () => {
  const showBoost = (start: typeof BOOST | null = null) => {
    const done = jest.fn();
    return { done, ...showInBench(<BoostForm id="boost" start={start} onDone={done} />) };
  };

  it("says beside its button why it cannot be sent yet, one thing after the other", async () => {
    showBoost();
    expect(button("Add the boost").disabled).toBe(true);
    const why = () => document.getElementById(button("Add the boost").getAttribute("aria-describedby") ?? "")?.textContent;
    expect(why()).toBe("Choose products: a brand, a tag, a selection …");
    await userEvent.click(button("+ Condition"));
    expect(why()).toBe("Give it a name.");
    await userEvent.type(input("Name of the boost"), "Own brand");
    expect(button("Add the boost").disabled).toBe(false);
    await typeOver("Strength in per cent", "0{Tab}");
    expect(why()).toBe("A strength of 0 % changes nothing.");
  });

  it("takes Enter on “+ Condition” as a condition, a first Enter in a condition as its value, and any other as sending it", async () => {
    const { sent, done } = showBoost();
    await userEvent.type(input("Name of the boost"), " Own brand ");
    button("+ Condition").focus();
    await userEvent.keyboard("{Enter}");
    const value = () => screen.getByLabelText<HTMLInputElement>(/ is$/);
    await userEvent.type(value(), "Quillmoor{Enter}");
    expect(sent).toEqual([]);
    await userEvent.type(input("Owner"), "Maud{Enter}");
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(sent).toEqual([[{ op: "add", path: "/boosts/boost", value: { ...BOOST, owner: "Maud" } }]]);
  });

  it("keeps what was typed when it is refused, and can be sent again", async () => {
    const { sent, answer, done } = showBoost(BOOST);
    expect(button("Change the boost").disabled).toBe(true);
    expect(screen.getByText("Nothing is changed yet.")).toBeTruthy();
    await typeOver("Name of the boost", "Ours first");
    answer.isTaken = false;
    await userEvent.click(button("Change the boost"));
    await waitFor(() => expect(sent).toHaveLength(1));
    await waitFor(() => expect(button("Change the boost").disabled).toBe(false));
    expect([input("Name of the boost").value, done.mock.calls.length]).toEqual(["Ours first", 0]);
    answer.isTaken = true;
    await userEvent.click(button("Change the boost"));
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(sent[1]).toEqual(sent[0]);
  });

  it("a hide names its products by a condition or one by one, its places, and why", async () => {
    const done = jest.fn();
    const serve = (path: string) => (path.endsWith("/reach") ? { products: 12, results: 0.2, searches: 0.1 } : undefined);
    const { sent } = showInBench(<HideForm id="hide" start={null} onDone={done} />, { serve });
    await userEvent.type(input("Rule name"), "Winter");
    await userEvent.click(button("+ Condition"));
    await screen.findByRole("button", { name: "Hide 12 products" });
    await userEvent.click(screen.getByRole("radio", { name: "one by one" }));
    expect(screen.getByText("Choose products: a tag, a selection, one by one …")).toBeTruthy();
    await userEvent.click(screen.getByRole("radio", { name: "by a condition" }));
    await userEvent.click(button("+ Condition"));
    await userEvent.click(button("suggestions"));
    await userEvent.type(input("Reason"), "Too cold{Enter}");
    await waitFor(() => expect(done).toHaveBeenCalled());
    const [{ value }] = sent[0] as { value: unknown }[];
    expect(Hide.parse(value)).toMatchObject({ name: "Winter", reason: "Too cold", on: true });
    expect((value as { places: string[] }).places).not.toContain("typing");
  });
});

describe("a half-filled form", () => {
  const show = () => {
    const done = jest.fn();
    const shown = showInBench(
      <>
        <LeaveQuestion />
        <BoostForm id="boost" start={null} onDone={done} />
      </>,
    );
    return { done, ...shown };
  };
  const asks = () => screen.queryByRole("alertdialog") !== null;

  it("is left without a question while nothing is typed in it", async () => {
    const { done } = show();
    await userEvent.click(button("Cancel"));
    expect([asks(), done.mock.calls.length]).toEqual([false, 1]);
  });

  it("is asked for before a cancel throws it away", async () => {
    const { done } = show();
    await userEvent.type(input("Name of the boost"), "Own");
    await userEvent.click(button("Cancel"));
    expect([asks(), done.mock.calls.length]).toEqual([true, 0]);
    await userEvent.click(button("Keep editing"));
    expect([asks(), input("Name of the boost").value]).toEqual([false, "Own"]);
    await userEvent.click(button("Cancel"));
    await userEvent.click(button("Discard"));
    expect(done).toHaveBeenCalledTimes(1);
  });

  it("is asked for before another area opens, and before the page is closed", async () => {
    const { router } = show();
    await userEvent.type(input("Name of the boost"), "Own");
    const closing = new Event("beforeunload", { cancelable: true });
    window.dispatchEvent(closing);
    expect(closing.defaultPrevented).toBe(true);
    await act(() => router.navigate("/elsewhere"));
    await userEvent.click(button("Keep editing"));
    expect(input("Name of the boost").value).toBe("Own");
    await act(() => router.navigate("/elsewhere"));
    await userEvent.click(button("Discard"));
    await screen.findByText("Elsewhere");
    expect(useLeaving.getState().begun.size).toBe(0);
  });
});

const Entry = z.object({ most: z.number().max(24, "At most 24."), name: z.string() });
const save = jest.fn<Promise<boolean>, [object]>();
function Form({ entry }: { entry: z.infer<typeof Entry> }) {
  const { value, change, problemOf } = useLiveForm(Entry, entry, save);
  return (
    <Lines>
      <Line name="Most" problem={problemOf("most")}>
        <NumberLine label="Most" value={value.most} min={0} max={100} onCommit={(most) => void change({ most })} />
      </Line>
    </Lines>
  );
}

describe("an entry that is edited in place", () => {
  const show = () => showInBench(<Form entry={{ most: 4, name: "Block" }} />);
  beforeEach(() => save.mockReset().mockResolvedValue(true));

  it("goes to the draft as a field is left", async () => {
    show();
    await typeOver("Most", "6{Enter}");
    expect(save.mock.calls).toEqual([[{ most: 6 }]]);
  });

  it("says at the field what its schema forbids, and sends nothing", async () => {
    show();
    await typeOver("Most", "30{Enter}");
    await screen.findByText("At most 24.");
    expect([input("Most").value, save.mock.calls.length]).toEqual(["30", 0]);
    await typeOver("Most", "12{Enter}");
    await waitFor(() => expect(save.mock.calls).toEqual([[{ most: 12 }]]));
    expect(screen.queryByText("At most 24.")).toBeNull();
  });

  it("keeps what the server refused, and says so", async () => {
    save.mockResolvedValue(false);
    show();
    await typeOver("Most", "9{Enter}");
    await screen.findByText(/^Not saved/);
    expect(input("Most").value).toBe("9");
  });

  it("says the bounds of a number that lies beyond them, and keeps it to be mended", async () => {
    show();
    await typeOver("Most", "101{Enter}");
    expect([input("Most").value, screen.getByRole("alert").textContent]).toEqual(["101", "0 to 100"]);
    expect(input("Most").getAttribute("aria-invalid")).toBe("true");
    await typeOver("Most", "10{Enter}");
    await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
    expect(save.mock.calls).toEqual([[{ most: 10 }]]);
  });
});
