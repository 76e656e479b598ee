/** @jest-environment jsdom */
import { act, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { focusNextStep, focusWork, goOnByEnter } from "./focus-work";

let bring: () => void = () => undefined;

/** A screen whose proposals come later. */
function Work({ proposals }: { proposals: string[] }) {
  const [shown, setShown] = useState<string[]>([]);
  bring = () => setShown(proposals);
  return (
    <main id="work" tabIndex={-1}>
      <button type="button">Settings</button>
      {shown.map((name) => (
        <button key={name} type="button" data-next-step>
          {name}
        </button>
      ))}
    </main>
  );
}
const focused = () => document.activeElement?.textContent ?? "";

describe("the work of a screen", () => {
  it("has the focus, and then the first that it proposes", async () => {
    render(<Work proposals={["Add colour", "Add size"]} />);
    focusWork();
    expect(document.activeElement).toBe(screen.getByRole("main"));
    act(() => bring());
    await waitFor(() => expect(focused()).toBe("Add colour"));
    focusNextStep();
    expect(focused()).toBe("Add size");
    focusNextStep();
    expect(focused()).toBe("Add colour");
  });

  it("takes the focus from nobody who went on", async () => {
    render(<Work proposals={["Add colour"]} />);
    focusWork();
    await userEvent.tab();
    act(() => bring());
    await screen.findByText("Add colour");
    expect(focused()).toBe("Settings");
  });

  it("goes on by Enter from field to field", async () => {
    const end = goOnByEnter();
    render(
      <main id="work" tabIndex={-1}>
        <div data-next-field>
          <input aria-label="Message" />
        </div>
        <input aria-label="From" />
        <div data-next-field>
          <input aria-label="Product" role="combobox" aria-expanded={false} aria-controls="none" />
        </div>
      </main>,
    );
    focusWork();
    await userEvent.keyboard("Sorry{Enter}");
    expect(document.activeElement?.getAttribute("aria-label")).toBe("Product");
    // There it chooses what was found.
    await userEvent.keyboard("{Enter}");
    expect(document.activeElement?.getAttribute("aria-label")).toBe("Product");
    end();
  });

  it("begins at once with what is there, and is nothing to do without any", () => {
    render(<Work proposals={["Add colour"]} />);
    focusNextStep();
    expect(document.activeElement).toBe(document.body);
    act(() => bring());
    focusWork();
    expect(focused()).toBe("Add colour");
  });
});
