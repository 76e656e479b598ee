/** @jest-environment jsdom */
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { act } from "react";
import { rememberTried } from "../state/walk";
import { useWindow } from "../state/window";
import { FirstSteps } from "./FirstSteps";
import { isFirstVisit, useTour } from "./state";
import Tour from "./Tour";

globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};

beforeEach(() => {
  localStorage.clear();
  useTour.setState({ step: null });
});

const step = () => screen.findByRole("dialog");
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));

describe("the tour", () => {
  const page = (
    <>
      <input aria-label="Search being tried" />
      <nav aria-label="Areas" />
      <div aria-label="State shown" role="group" />
      <ul>
        <li data-product="P1">Rose</li>
      </ul>
      <button type="button" data-tour="release">
        Review and release
      </button>
      <Tour />
    </>
  );

  it("goes through its five steps by keyboard and back, and does not begin by itself again", async () => {
    showInBench(page, { open: { changes: [] } });
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(isFirstVisit()).toBe(true);
    act(() => useTour.getState().begin());
    expect((await step()).getAttribute("aria-label")).toBe("Tour, step 1 of 5: Search as a shopper would");
    await press("Next");
    await press("Next");
    await press("Back");
    expect((await step()).getAttribute("aria-label")).toMatch(/step 2 of 5/);
    for (let i = 0; i < 3; i++) await press("Next");
    await press("Begin");
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(isFirstVisit()).toBe(false);
  });

  it("is left with Escape, and says of what one does that it is done", async () => {
    showInBench(page, { open: { changes: [] } });
    act(() => useTour.getState().begin());
    await step();
    expect(screen.queryByText("Done.")).toBeNull();
    act(() => useWindow.getState().try("rose"));
    await screen.findByText("Done.");
    await userEvent.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    act(() => useWindow.getState().try(""));
  });
});

describe("the first steps of a store", () => {
  const store = (products: number) => ({
    id: "corner",
    name: "Corner shop",
    locale: "en",
    currency: "GBP",
    languages: ["en"],
    timeZone: "UTC",
    products,
  });
  const lines = () =>
    within(screen.getByRole("region", { name: "First steps" }))
      .getAllByRole("listitem")
      .map(({ textContent }) => textContent);

  it("begin with the products, and lead to what is not done yet", () => {
    showInBench(<FirstSteps />, { open: { store: store(0) } });
    expect(lines().some((line) => line?.includes("(done)"))).toBe(false);
    expect(screen.getByRole("link", { name: "Bring your products in" }).getAttribute("href")).toBe("/bench/corner/catalogue/feed");
    expect(screen.queryByRole("button", { name: "Show me around" })).toBeNull();
  });

  it("are ticked as they are done", async () => {
    rememberTried("corner", "rose");
    const settings = { words: { w: { does: "ignore", words: ["the"] } }, deadEnd: { products: ["P1"] } };
    showInBench(<FirstSteps />, { settings, open: { store: store(9) } });
    expect(lines().filter((line) => line?.includes("(done)"))).toHaveLength(4);
    await press("Show me around");
    expect(useTour.getState().step).toBe(0);
  });

  it("go once the store is released, or when they are hidden", async () => {
    const { unmount } = showInBench(<FirstSteps />, { open: { store: store(9), release: 1 } });
    expect(screen.queryByRole("region")).toBeNull();
    unmount();
    const again = showInBench(<FirstSteps />, { open: { store: store(9) } });
    await press("Hide the first steps");
    expect(screen.queryByRole("region")).toBeNull();
    again.unmount();
    showInBench(<FirstSteps />, { open: { store: store(9) } });
    expect(screen.queryByRole("region")).toBeNull();
  });
});
