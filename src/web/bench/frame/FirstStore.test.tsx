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

/** Shows the first screen; its imports come to what `ends` gives, one after the other. */
function show(...ends: object[]) {
  const sent: Sent[] = [];
  globalThis.fetch = (async (path: string, { method = "GET", body }: RequestInit = {}) => {
    sent.push({ method, path: String(path), body: typeof body === "string" ? JSON.parse(body) : body });
    const answer =
      method === "DELETE"
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
const create = () => screen.getByRole<HTMLButtonElement>("button", { name: "Create the store" });
const choose = (text: string) =>
  userEvent.upload(screen.getByLabelText("File with products"), new File([text], "products.csv", { type: "text/csv" }));

describe("the first screen", () => {
  it("says what is missing, one thing after the other", async () => {
    show();
    expect([create().disabled, screen.getByRole("status").textContent]).toEqual([true, "Choose the file with your products."]);
    await choose("id,title\n1,Rose\n");
    expect(create().disabled).toBe(false);
    await userEvent.clear(screen.getByLabelText("Currency"));
    expect(screen.getByRole("status").textContent).toBe("Name the currency in three letters, such as GBP.");
    await userEvent.clear(screen.getByLabelText("Name of the store"));
    expect(screen.getByRole("status").textContent).toBe("Give the store a name.");
  });

  it("makes the store, brings the file in, and leads to the feed without asking whether the form may be left", async () => {
    const { sent, router } = show(job("running"), job("done"));
    await choose("id,title\n1,Rose\n");
    await userEvent.click(create());
    await screen.findByText("The bench");
    expect(router.state.location.pathname).toBe("/bench/my-shop/catalogue/feed");
    expect(screen.queryByRole("alertdialog")).toBeNull();
    expect(sent.map(({ method, path }) => `${method} ${path.split("?")[0]}`).slice(0, 3)).toEqual([
      "POST /api/stores",
      "GET /api/jobs/j1",
      "GET /api/jobs/j1",
    ]);
    const [route, { params, query }, file] = sendFile.mock.calls[0];
    expect([route, params, query, file.name]).toEqual([
      "POST /api/stores/{store}/feed",
      { store: "my-shop" },
      { name: "products.csv" },
      "products.csv",
    ]);
    expect(sent[0].body).toEqual({ name: "My shop", locale: "en", currency: "GBP" });
  });

  it("takes a store away again whose file cannot be read, says why, and keeps what was filled in", async () => {
    const { sent } = show(job("failed", { problems: [{ line: 2, field: "title", message: "never closed" }], problemCount: 1 }));
    await userEvent.clear(screen.getByLabelText("Name of the store"));
    await userEvent.type(screen.getByLabelText("Name of the store"), "Corner");
    await choose('id,title\n1,"Rose\n');
    await userEvent.click(create());
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toContain("Line 2, title: never closed");
    await waitFor(() => expect(sent.some(({ method, path }) => method === "DELETE" && path === "/api/stores/my-shop")).toBe(true));
    expect(screen.getByLabelText<HTMLInputElement>("Name of the store").value).toBe("Corner");
    await waitFor(() => expect(create().disabled).toBe(false));
  });
});
