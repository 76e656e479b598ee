/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { lazyScreen } from "./lazy-screen";
import { Opened } from "./Opened";

const show = (of: ReturnType<typeof lazyScreen>) => render(<Opened screen={of} waiting={<p>Loading</p>} />);
const Words = () => <h1>Words</h1>;

describe("a screen that is loaded apart", () => {
  it("is drawn in the same step once it is there", async () => {
    const words = lazyScreen(async () => ({ default: Words }));
    expect(words.ready).toBeNull();
    await words.load();
    show(words);
    expect(screen.getByRole("heading").textContent).toBe("Words");
    expect(screen.queryByText("Loading")).toBeNull();
  });

  it("is waited for where it is not, and loaded when it is shown", async () => {
    let arrive: (module: { default: typeof Words }) => void = () => undefined;
    const words = lazyScreen(() => new Promise((done) => (arrive = done)));
    await act(async () => void show(words));
    expect(screen.getByText("Loading")).toBeTruthy();
    await act(async () => arrive({ default: Words }));
    expect((await screen.findByRole("heading")).textContent).toBe("Words");
  });

  it("tells when it is drawn, not when it is waited for", async () => {
    const told = jest.fn();
    let arrive: (module: { default: typeof Words }) => void = () => undefined;
    const words = lazyScreen(() => new Promise((done) => (arrive = done)));
    await act(async () => void render(<Opened screen={words} onDrawn={told} />));
    expect(told).not.toHaveBeenCalled();
    await act(async () => arrive({ default: Words }));
    await screen.findByRole("heading");
    expect(told).toHaveBeenCalledTimes(1);
  });

  it("that could not be loaded says so, and is loaded anew by a press", async () => {
    const gone = new Error("The server does not answer.");
    const load = jest.fn().mockRejectedValueOnce(gone).mockRejectedValueOnce(gone).mockResolvedValue({ default: Words });
    const words = lazyScreen(load);
    await expect(words.load()).rejects.toThrow("The server does not answer.");
    await act(async () => void show(words));
    expect((await screen.findByRole("alert")).textContent).toContain("could not be loaded");
    await act(async () => void fireEvent.click(screen.getByRole("button", { name: "Try again" })));
    expect((await screen.findByRole("heading")).textContent).toBe("Words");
    expect([load.mock.calls.length, screen.queryByRole("alert")]).toEqual([3, null]);
  });
});
