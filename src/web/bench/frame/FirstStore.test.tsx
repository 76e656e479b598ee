/** @jest-environment jsdom */
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter, RouterProvider } from "react-router";
import { LeaveQuestion } from "../forms/LeaveQuestion";
import { useLeaving } from "../forms/leave";
import FirstStore from "./FirstStore";

const sendFile = jest.fn();
jest.mock("@ui/http", () => ({ ...jest.requireActual("@ui/http"), sendFile: (...all: unknown[]) => sendFile(...all) }));

interface Sent {
  method: string;
  path: string;
  body: unknown;
}
const job = (state: string, more: object = {}) => ({
  id: "j1",
  store: "my-shop",
  kind: "import",
  state,
  message: state === "failed" ? "Line 2: the quoted text is never closed." : "Done",
  done: 4,
  problems: [],
  problemCount: 0,
  result: null,
  ...more,
});

/** The stores that there are, and those that were removed. */
let there: { stores: object[]; removed: object[] };
beforeEach(() => {
  there = { stores: [], removed: [] };
});

/** Shows the first screen; its imports come to what `ends` gives, one after the other. */
function show(...ends: object[]) {
  const sent: Sent[] = [];
  globalThis.fetch = (async (path: string, { method = "GET", body }: RequestInit = {}) => {
    sent.push({ method, path: String(path), body: typeof body === "string" ? JSON.parse(body) : body });
    const answer =
      method === "GET" && path.endsWith("stores")
        ? path.includes("removed")
          ? there.removed
          : there.stores
        : method === "DELETE"
          ? null
          : path.startsWith("/api/jobs/")
            ? ends.shift()
            : path.includes("/feed")
              ? { job: "j1" }
              : { id: "my-shop" };
    const status = answer === null ? 204 : 200;
    return {
      ok: true,
      status,
      headers: new Map([["content-type", "application/json"]]),
      json: async () => answer,
      text: async () => (answer === null ? "" : JSON.stringify(answer)),
    };
  }) as unknown as typeof fetch;
  sendFile.mockReset().mockResolvedValue({ job: "j1" });
  useLeaving.setState({ begun: new Set(), next: null });
  const first = (
    <>
      <FirstStore />
      <LeaveQuestion />
    </>
  );
  const router = createMemoryRouter([
    { path: "/", element: first },
    { path: "*", element: <p>The bench</p> },
  ]);
  render(<RouterProvider router={router} />);
  return { sent, router };
}
const create = () => screen.getByRole<HTMLButtonElement>("button", { name: /^Create/ });
const choose = (text: string) =>
  userEvent.upload(screen.getByLabelText("File with products"), new File([text], "products.csv", { type: "text/csv" }));

describe("the first screen", () => {
  it("says what is missing, one thing after the other", async () => {
    show();
    expect([create().disabled, create().textContent]).toEqual([false, "Create an empty store"]);
    await choose("id,title\n1,Rose\n");
    expect([create().disabled, create().textContent]).toEqual([false, "Create the store"]);
    await userEvent.clear(screen.getByLabelText("Currency"));
    expect(screen.getByRole("status").textContent).toBe("Name the currency in three letters, such as GBP.");
    await userEvent.clear(screen.getByLabelText("Name of the store"));
    expect(screen.getByRole("status").textContent).toBe("Give the store a name.");
  });

  it("makes the store, brings the file in, and leads to the feed without asking whether the form may be left", async () => {
    const { sent, router } = show(job("running"), job("done"), job("running"), job("done"));
    await choose("id,title\n1,Rose\n");
    await userEvent.click(create());
    await screen.findByText("The bench");
    expect(router.state.location.pathname).toBe("/bench/my-shop/catalogue/feed");
    expect(screen.queryByRole("alertdialog")).toBeNull();
    expect(
      sent
        .map(({ method, path }) => `${method} ${path.split("?")[0]}`)
        .filter((call) => call !== "GET /api/stores" && !call.includes("removed"))
        .slice(0, 5),
    ).toEqual(["POST /api/stores", "GET /api/jobs/j1", "GET /api/jobs/j1", "POST /api/stores/my-shop/feed/again", "GET /api/jobs/j1"]);
    const [route, { params, query }, file] = sendFile.mock.calls[0];
    expect([route, params, query, file.name]).toEqual([
      "POST /api/stores/{store}/feed",
      { store: "my-shop" },
      { name: "products.csv", dry: "true" },
      "products.csv",
    ]);
    expect(sent.find(({ method }) => method === "POST")?.body).toEqual({ name: "My shop", locale: "en", currency: "GBP" });
  });

  it("lets what is not sure of the columns be said before anything is brought in", async () => {
    const { sent, router } = show(job("done", { result: { questions: [{ role: "price", column: null, candidates: ["a", "b"] }] } }));
    await choose("id,title\n1,Rose\n");
    await userEvent.click(create());
    await screen.findByText("The bench");
    expect(router.state.location.pathname).toBe("/bench/my-shop/catalogue/feed");
    expect(sent.some(({ path }) => path.includes("again"))).toBe(false);
  });

  it("makes an empty store, which products are brought into later", async () => {
    const { sent, router } = show();
    await userEvent.click(create());
    await screen.findByText("The bench");
    expect(router.state.location.pathname).toBe("/bench/my-shop/catalogue/feed");
    expect(sendFile).not.toHaveBeenCalled();
    expect(sent.filter(({ method }) => method === "POST")).toHaveLength(1);
  });

  it("has a way back to the stores there are, and to those that were removed", async () => {
    there = {
      stores: [{ id: "corner", name: "Corner shop" }],
      removed: [{ id: "old", name: "Old shop", removedAt: "2026-11-01", goneAt: "2026-12-01T00:00:00Z" }],
    };
    const { sent, router } = show();
    expect((await screen.findByRole("link", { name: "Back to Corner shop" })).getAttribute("href")).toBe("/bench/corner");
    await userEvent.click(await screen.findByRole("button", { name: "Restore Old shop" }));
    await screen.findByText("The bench");
    expect(router.state.location.pathname).toBe("/bench/old");
    expect(sent.some(({ path }) => path === "/api/removed-stores/old/restore")).toBe(true);
  });

  it("takes a store away again whose file cannot be read, says why, and keeps what was filled in", async () => {
    const { sent } = show(job("failed", { problems: [{ line: 2, field: "title", message: "never closed" }], problemCount: 1 }));
    await userEvent.clear(screen.getByLabelText("Name of the store"));
    await userEvent.type(screen.getByLabelText("Name of the store"), "Corner");
    await choose('id,title\n1,"Rose\n');
    await userEvent.click(create());
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toContain("Line 2, title: never closed");
    await waitFor(() =>
      expect(sent.some(({ method, path }) => method === "DELETE" && path === "/api/stores/my-shop?forever=true")).toBe(true),
    );
    expect(screen.getByLabelText<HTMLInputElement>("Name of the store").value).toBe("Corner");
    await waitFor(() => expect(create().disabled).toBe(false));
  });
});
