/** @jest-environment jsdom */

import { act, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { lazyScreen } from "@ui/lazy-screen";
import { createMemoryRouter, Route, RouterProvider, Routes } from "react-router";
import { useBench } from "../state/bench";
import { MOVED, SCREENS } from "./area-screens";
import { AREAS, changesIn } from "./areas";
import { Rail } from "./Rail";
import type { Tab } from "./screens";
import { Moved, Tabs } from "./Tabs";
import { TopBar } from "./TopBar";

const change = (part: string, id: string) => ({ part, id, subject: id, text: "changed", kind: "changed" });

describe("the rail", () => {
  it("leads to every area, and says how much of each is not live yet", () => {
    showInBench(<Rail onHelp={() => undefined} />, {
      open: { changes: [change("words", "a"), change("groups", "b"), change("boosts", "c")] },
    });
    const links = within(screen.getByRole("navigation", { name: "Areas" })).getAllByRole("link");
    const said = Object.fromEntries(links.map((link) => [link.getAttribute("href"), link.textContent]));
    expect(said["/bench/corner/words"]).toBe("Words2");
    expect(said["/bench/corner/ranking"]).toBe("Ranking1");
    expect(said["/bench/corner/filters"]).toBe("Filters");
    expect(links).toHaveLength(AREAS.length + 1);
  });

  it("has a screen behind every area, and no screen without one", () => {
    const screens = Object.keys(SCREENS).map((path) => path.replace("/*", ""));
    expect(screens.sort()).toEqual(AREAS.map(({ path }) => path).sort());
    for (const [former, path] of Object.entries(MOVED))
      expect([former, screens.includes(former), screens.includes(path)]).toEqual([former, false, true]);
  });

  it("counts a change for one area alone", () => {
    const parts = AREAS.flatMap((area) => area.parts);
    expect(new Set(parts).size).toBe(parts.length);
    const all = parts.map((part) => change(part, "x"));
    expect(AREAS.reduce((sum, area) => sum + changesIn(area, all as never).length, 0)).toBe(parts.length);
  });
});

describe("the bar at the top", () => {
  const show = (open: object) => {
    const undo = jest.fn(async () => null);
    const redo = jest.fn(async () => null);
    useBench.setState({ undo, redo, stores: null } as never);
    showInBench(
      <>
        <TopBar onFind={() => undefined} />
        <input aria-label="somewhere" />
      </>,
      { open: { changes: [], release: 3, canUndo: true, canRedo: false, ...open } },
    );
    return { undo, redo };
  };

  it("says what is not released, and what is live when all is", () => {
    show({ changes: [change("words", "a")] });
    expect(screen.getByRole("status").textContent).toBe("1 unreleased change");
  });

  it.each([
    [3, "No unreleased changes"],
    [null, "No release yet"],
  ])("with release %s and no change it says %s", (release, said) => {
    show({ release });
    expect(screen.getByText(said)).toBeTruthy();
  });

  it("offers what can be taken back, and not what cannot", async () => {
    const { undo, redo } = show({});
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    await userEvent.click(screen.getByRole("button", { name: "Redo" }));
    expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([1, 0]);
  });

  it("takes the keys for undo and redo, but not from a field that is typed in", async () => {
    const { undo, redo } = show({});
    await userEvent.keyboard("{Control>}z{/Control}");
    await userEvent.keyboard("{Control>}{Shift>}z{/Shift}{/Control}");
    expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([1, 1]);
    await userEvent.click(screen.getByLabelText("somewhere"));
    await userEvent.keyboard("{Control>}z{/Control}");
    expect(undo).toHaveBeenCalledTimes(1);
  });
});

describe("the parts of an area", () => {
  const part = (name: string) => lazyScreen(async () => ({ default: () => <h1>{name}</h1> }));
  const TABS: Tab[] = [
    { path: "rules", name: "Rules", screen: part("Rules here") },
    { path: "tie-breakers", former: "near-equals", name: "Tie-breakers", screen: part("Ties here") },
  ];
  const show = async (at: string, numbers: Record<string, number> = {}) => {
    const area = <Tabs label="Parts" base="/bench/corner/ranking" tabs={TABS} numbers={numbers} start="rules" />;
    const pages = (
      <Routes>
        <Route path="/bench/corner/ranking/*" element={area} />
        <Route path="/bench/corner/old/*" element={<Moved to="/bench/corner/ranking" />} />
      </Routes>
    );
    const router = createMemoryRouter([{ path: "*", element: pages }], { initialEntries: [at] });
    await act(async () => render(<RouterProvider router={router} />));
    await screen.findByRole("heading");
    return router;
  };

  it("begin with the first one, and are opened by their links", async () => {
    const router = await show("/bench/corner/ranking");
    expect([screen.getByRole("heading").textContent, router.state.location.pathname]).toEqual([
      "Rules here",
      "/bench/corner/ranking/rules",
    ]);
    await userEvent.click(screen.getByRole("link", { name: "Tie-breakers" }));
    expect((await screen.findByRole("heading", { name: "Ties here" })).textContent).toBe("Ties here");
  });

  it("say how much they hold, and no 0", async () => {
    await show("/bench/corner/ranking/rules", { rules: 1234, "tie-breakers": 0 });
    expect(screen.getAllByRole("link").map((link) => link.textContent)).toEqual(["Rules1,234", "Tie-breakers"]);
  });

  it.each([
    ["/bench/corner/ranking/near-equals/x?of=price#top", "/bench/corner/ranking/tie-breakers/x?of=price#top"],
    ["/bench/corner/old/tie-breakers?of=price", "/bench/corner/ranking/tie-breakers?of=price"],
    ["/bench/corner/ranking/nowhere", "/bench/corner/ranking/rules"],
  ])("are found under a former address: %s", async (from, to) => {
    const router = await show(from);
    const { pathname, search, hash } = router.state.location;
    expect(pathname + search + hash).toBe(to);
  });
});

describe("an address of the bench", () => {
  it.each(Object.keys(MOVED))("that was %s before is not the name of an area now", (former) => {
    expect(AREAS.map(({ path }) => path)).not.toContain(former);
  });

  it("is written in small letters and words of the screens", () => {
    for (const { path } of AREAS) expect(path).toMatch(/^[a-z]+(-[a-z]+)*$/);
  });
});
