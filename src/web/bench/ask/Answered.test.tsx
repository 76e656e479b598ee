/** @jest-environment jsdom */
import { QueryClientProvider } from "@tanstack/react-query";
import { act, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { Toasts } from "@ui/Toasts";
import { useBench } from "../state/bench";
import { Answered } from "./Answered";
import { answers, askAnew } from "./client";
import { useAsk, useFact } from "./useAsk";

interface Asked {
  path: string;
  isDropped: () => boolean;
  answer: (body: unknown, status?: number) => void;
}
let asked: Asked[] = [];

beforeEach(() => {
  asked = [];
  answers.clear();
  globalThis.fetch = ((path: string, { signal }: { signal?: AbortSignal }) =>
    new Promise((done, fail) => {
      signal?.addEventListener("abort", () => fail(new DOMException("gone", "AbortError")));
      const answer = (body: unknown, status = 200) =>
        done({
          ok: status < 300,
          status,
          headers: new Headers({ "content-type": "application/json" }),
          json: async () => body,
          text: async () => JSON.stringify(body),
        } as Response);
      asked.push({ path, isDropped: () => signal?.aborted ?? false, answer });
    })) as typeof fetch;
  open(1);
});

/** A store at a revision, as far as asking needs it. */
function open(revision: number): void {
  useBench.setState({ open: { store: { id: "s" }, revision, release: 1 } as never });
}

const Values = ({ field }: { field: string }) => {
  const values = useAsk("GET /api/stores/{store}/fields/{key}/values", { params: { key: field }, query: {} });
  return <Answered of={values}>{({ total }) => (total === 0 ? <p>Nothing yet.</p> : <p>{total} values</p>)}</Answered>;
};
const show = (field: string) => (
  <QueryClientProvider client={answers}>
    <Values field={field} />
  </QueryClientProvider>
);
const give = (place: number, body: unknown, status = 200) => act(async () => asked[place].answer(body, status));

describe("what is asked for", () => {
  test("has three pictures: on its way, there, and nothing yet", async () => {
    render(show("colour"));
    expect(screen.getByRole("status", { name: "Loading" })).toBeTruthy();
    expect(screen.queryByText(/0/)).toBeNull();
    await give(0, { total: 12, values: [] });
    expect(await screen.findByText("12 values")).toBeTruthy();
  });

  test("an empty answer is its own picture", async () => {
    render(show("colour"));
    await give(0, { total: 0, values: [] });
    expect(await screen.findByText("Nothing yet.")).toBeTruthy();
  });

  test("a failure says why, and a press asks again", async () => {
    render(show("colour"));
    await give(0, { detail: "There is no field “colour”." }, 404);
    expect((await screen.findByRole("alert")).textContent).toContain("There is no field “colour”.");
    fireEvent.click(screen.getByRole("button", { name: "Try again" }));
    await waitFor(() => expect(asked).toHaveLength(2));
    await give(1, { total: 3, values: [] });
    expect(await screen.findByText("3 values")).toBeTruthy();
  });

  test("the last answer stays while the draft goes on, and a late one never replaces a newer one", async () => {
    const { rerender } = render(show("colour"));
    await give(0, { total: 1, values: [] });
    act(() => open(2));
    await waitFor(() => expect(asked).toHaveLength(2));
    act(() => open(3));
    await waitFor(() => expect(asked).toHaveLength(3));
    expect(screen.getByText("1 values")).toBeTruthy();
    await give(2, { total: 3, values: [] });
    expect(asked[1].isDropped()).toBe(true);
    await give(1, { total: 2, values: [] });
    expect(await screen.findByText("3 values")).toBeTruthy();
    rerender(show("colour"));
    expect(asked).toHaveLength(3);
  });

  test("what was changed while its first answer was on the way is asked anew, and the old answer is dropped", async () => {
    render(show("colour"));
    await act(async () => void askAnew("GET /api/stores/{store}/fields/{key}/values"));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[0].isDropped()).toBe(true);
    await give(0, { total: 1, values: [] });
    await give(1, { total: 2, values: [] });
    expect(await screen.findByText("2 values")).toBeTruthy();
  });

  test("the answer to another question is never shown for this one", async () => {
    const { rerender } = render(show("colour"));
    await give(0, { total: 1, values: [] });
    rerender(show("size"));
    expect(screen.queryByText("1 values")).toBeNull();
    expect(screen.getByRole("status", { name: "Loading" })).toBeTruthy();
    await give(1, { total: 7, values: [] });
    rerender(show("colour"));
    expect(screen.getByText("1 values")).toBeTruthy();
    expect(asked).toHaveLength(2);
  });
});

const Figure = ({ words }: { words: string | null }) => {
  const facts = useFact("GET /api/stores/{store}/search/facts", words === null ? null : { query: { query: words } });
  return <p>{facts ? `${facts.asked} searches` : "…"}</p>;
};
const figure = (words: string | null) => (
  <QueryClientProvider client={answers}>
    <Figure words={words} />
  </QueryClientProvider>
);

describe("a figure beside something else", () => {
  test("is not said before it is known, and nothing is asked for nothing", async () => {
    const { rerender } = render(figure(null));
    expect(asked).toHaveLength(0);
    rerender(figure("rose"));
    expect(screen.getByText("…")).toBeTruthy();
    await give(0, { asked: 4, products: {} });
    expect(await screen.findByText("4 searches")).toBeTruthy();
  });

  test("that cannot be had says why, once, and a press asks again", async () => {
    const page = (
      <>
        {figure("rose")}
        {figure("spade")}
        <Toasts />
      </>
    );
    render(page);
    await give(0, { detail: "The log is being rebuilt." }, 503);
    await give(1, { detail: "The log is being rebuilt." }, 503);
    expect(await screen.findAllByText("The log is being rebuilt.")).toHaveLength(1);
    fireEvent.click(screen.getByRole("button", { name: "Try again" }));
    await waitFor(() => expect(asked).toHaveLength(4));
    await give(2, { asked: 4, products: {} });
    await give(3, { asked: 9, products: {} });
    expect(await screen.findByText("4 searches")).toBeTruthy();
    expect(await screen.findByText("9 searches")).toBeTruthy();
  });
});
