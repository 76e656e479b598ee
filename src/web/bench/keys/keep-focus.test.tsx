/** @jest-environment jsdom */
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { keepFocus } from "./keep-focus";

function Page() {
  const [rows, setRows] = useState(["spade", "fork", "rake"]);
  const [isOpen, setOpen] = useState(false);
  const [field, setField] = useState("brand");
  const [screen, setScreen] = useState(1);
  return (
    <main tabIndex={-1}>
      {screen === 1 ? (
        <div>
          <h1>One</h1>
          <a href="#top">Top</a>
          <ul>
            {rows.map((row) => (
              <li key={row}>
                <button type="button">Look</button>
                <button type="button" aria-label={`Accept ${row}`} onClick={() => setRows(rows.filter((entry) => entry !== row))}>
                  Accept
                </button>
              </li>
            ))}
          </ul>
          <button type="button" onClick={() => setOpen(true)}>
            Open
          </button>
          {isOpen && (
            <section>
              <button type="button" onClick={() => setOpen(false)}>
                Close
              </button>
            </section>
          )}
          <div key={field}>
            <button type="button" aria-label="Field" onClick={() => setField(field === "brand" ? "price" : "brand")}>
              {field}
            </button>
          </div>
          <button type="button" onClick={() => setScreen(2)}>
            Leave
          </button>
        </div>
      ) : (
        <p>
          <b>Two</b>
        </p>
      )}
    </main>
  );
}

describe("when what had the focus goes away", () => {
  let end: () => void;
  beforeEach(() => {
    end = keepFocus(document.body);
    render(<Page />);
  });
  afterEach(() => end());
  const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));
  const focused = () => document.activeElement?.getAttribute("aria-label") ?? document.activeElement?.textContent;

  it("goes to the same control of the next row, at the end to the one before, and then to what is near", async () => {
    await press("Accept spade");
    expect(focused()).toBe("Accept fork");
    await press("Accept rake");
    expect(focused()).toBe("Accept fork");
    await press("Accept fork");
    expect(focused()).toBe("Top");
  });

  it("goes to where a panel was opened", async () => {
    await press("Open");
    await press("Close");
    expect(focused()).toBe("Open");
  });

  it("stays on what is drawn anew in its place", async () => {
    await press("Field");
    expect(document.activeElement?.textContent).toBe("price");
  });

  it("goes to the work where another screen comes", async () => {
    await press("Leave");
    expect(document.activeElement?.tagName).toBe("MAIN");
  });

  it("is left alone where somebody took it elsewhere, or to nothing", async () => {
    await press("Open");
    (document.activeElement as HTMLElement).blur();
    await press("Field");
    (document.activeElement as HTMLElement).blur();
    expect(document.activeElement).toBe(document.body);
  });
});
