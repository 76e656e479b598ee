/** @jest-environment jsdom */
import { render, screen } from "@testing-library/react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { Broken } from "./Broken";

let cause: unknown;
function Page(): never {
  throw cause;
}

describe("a page that cannot be drawn", () => {
  const show = (thrown: unknown) => {
    jest.spyOn(console, "error").mockImplementation(() => undefined);
    cause = thrown;
    render(<RouterProvider router={createMemoryRouter([{ path: "*", Component: Page, ErrorBoundary: Broken }])} />);
    return screen.getByRole("alert").textContent;
  };
  afterEach(() => jest.restoreAllMocks());

  it("says what happened, that nothing is lost, and the way back", () => {
    const said = show(new Error("The file Fields-1a2b.js did not come."));
    expect(said).toContain("What was saved is safe.");
    expect(screen.getByText("The file Fields-1a2b.js did not come.")).toBeTruthy();
    expect(screen.getByRole("link", { name: "Load again" }).getAttribute("href")).toBe("/");
  });

  it("says so in its own words where it was told none", () => {
    expect(show("oops")).toContain("tell whoever looks after the installation.");
  });
});
