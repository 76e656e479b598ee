/** @jest-environment jsdom */
import { Settings } from "@core/settings/schema";
import { waitFor } from "@testing-library/react";
import { count, followLocale } from "@ui/format";
import { answers } from "../ask/client";
import { askAhead } from "../ask/opening";
import { aheadOf, loadAhead, PARTS } from "../frame/screens";
import { loadStem } from "../window/stems";
import { frontAt, useBench } from "./bench";
import { lacksOwnRules, loadOwnRules, safeRules } from "./own-rules";
import { useWindow } from "./window";

const STORES = [
  {
    id: "corner",
    name: "Corner shop",
    locale: "en-GB",
    currency: "GBP",
    languages: ["en"],
    timeZone: "Europe/London",
    revision: 1,
    release: 1,
  },
  {
    id: "ecke",
    name: "Eckladen",
    locale: "de-DE",
    currency: "EUR",
    languages: ["de"],
    timeZone: "Europe/Berlin",
    revision: 1,
    release: null,
  },
];
const styled = (css: string) => Settings.parse({ page: { theme: { css } } });

interface Sent {
  method: string;
  path: string;
  body: unknown;
}
/** A server that answers as far as opening and editing a store needs; `fails` names paths that it refuses. */
function serve(settings: Settings, fails: readonly string[] = []): Sent[] {
  const sent: Sent[] = [];
  let revision = 1;
  const answer = (method: string, path: string): unknown => {
    if (path === "/api/stores") return STORES;
    if (path.endsWith("/front")) return { language: "en", categories: [], fields: [] };
    if (path.endsWith("/fields")) return [{ key: "title", label: "Title" }];
    if (path.endsWith("/releases") && method === "POST") return { number: 2, note: "", by: "Maud", at: "2026-11-29T10:00:00Z" };
    if (path.endsWith("/releases")) return [];
    if (path.endsWith("/draft/changes")) return { inverse: [], since: 1, canUndo: false, canRedo: false };
    if (path.endsWith("/draft")) return method === "PATCH" ? { revision: ++revision } : { revision, settings };
    return undefined;
  };
  globalThis.fetch = (async (address: string, { method = "GET", body }: RequestInit = {}) => {
    const path = String(address).split("?")[0];
    sent.push({ method, path, body: typeof body === "string" ? JSON.parse(body) : undefined });
    const isRefused = fails.some((part) => path.endsWith(part));
    const given = isRefused ? { title: "No", detail: "The store is being repaired." } : answer(method, path);
    if (given === undefined) return new Promise(() => undefined);
    const headers = new Map([["content-type", "application/json"]]);
    return { ok: !isRefused, status: isRefused ? 503 : 200, headers, json: async () => given, text: async () => JSON.stringify(given) };
  }) as unknown as typeof fetch;
  return sent;
}
const bench = () => useBench.getState();
const opened = () => {
  const { open } = bench();
  if (!open) throw new Error("Nothing is open.");
  return open;
};

beforeEach(() => {
  answers.clear();
  useBench.setState({ stores: null, open: null, failure: null });
});
afterEach(() => followLocale("en-GB"));

describe("a store that is opened", () => {
  it("is there with its draft, what is live, and the shop as both have it", async () => {
    serve(Settings.parse({}));
    await bench().openStore("corner");
    expect(opened()).toMatchObject({ store: { name: "Corner shop" }, revision: 1, release: 1, changes: [] });
    expect(opened().front).toMatchObject({ language: "en", css: "" });
  });

  it("has its numbers written as its locale does", async () => {
    serve(Settings.parse({}));
    await bench().openStore("ecke");
    expect(count(1234)).toBe("1.234");
  });

  it("that is not there says so, and one that cannot be read says why", async () => {
    serve(Settings.parse({}));
    await bench().openStore("nowhere");
    expect(bench()).toMatchObject({ open: null, failure: "There is no store “nowhere”." });
    serve(Settings.parse({}), ["/corner/draft"]);
    await bench().openStore("corner");
    expect(bench()).toMatchObject({ open: null, failure: "The store is being repaired." });
  });

  it("shows an edit at once and sends it, with the search of the window for the revision that it makes", async () => {
    const sent = serve(Settings.parse({}));
    await bench().openStore("corner");
    useWindow.getState().forget();
    const done = bench().edit([{ op: "replace", path: "/misspelling/few", value: 7 }]);
    expect(opened().settings.misspelling.few).toBe(7);
    expect(opened().changes).toHaveLength(1);
    expect(await done).toBe(true);
    expect(opened().revision).toBe(2);
    expect(sent.find(({ method }) => method === "PATCH")?.body).toEqual([{ op: "replace", path: "/misspelling/few", value: 7 }]);
  });

  it("is released, which is said, or not, which the caller is told", async () => {
    serve(Settings.parse({}));
    await bench().openStore("corner");
    expect(await bench().releaseDraft("First")).toBe(true);
    expect(opened().releases.map(({ number }) => number)).toEqual([2]);
    serve(Settings.parse({}), ["/releases"]);
    expect(await bench().releaseDraft("Second")).toBe(false);
  });
});

describe("own rules of a shop", () => {
  it("cannot be read before their parser is there, which is fetched for them alone", async () => {
    expect(lacksOwnRules(styled(""))).toBe(false);
    expect([lacksOwnRules(styled("::part(card) { color: red }")), safeRules("::part(card) { color: red }")]).toEqual([true, ""]);
    await loadOwnRules();
    expect(lacksOwnRules(styled("::part(card) { color: red }"))).toBe(false);
    expect(safeRules("::part(card) { color: red } body { display: none }")).toMatch(
      /^\.shop \[part~="?card"?\]\s*\{\s*color:\s*red;?\s*\}\s*$/,
    );
  });

  it("are in the shop that the window shows once a store with them is open", async () => {
    serve(styled("::part(card) { color: red }"));
    await bench().openStore("corner");
    expect(opened().front.css).toContain("color");
    const { store, front } = opened();
    expect(frontAt(front, store, styled("")).css).toBe("");
  });
});

describe("what is loaded ahead", () => {
  it.each(["/bench", "/bench/corner", "/bench/corner/words/rules", "/bench/corner/nowhere/x", "/bench/corner/releases"])(
    "is no error at %s",
    async (path) => {
      await expect(loadAhead(path)).resolves.toBeUndefined();
    },
  );

  it("is a screen that a link leads to, when somebody points at it or comes to it by keyboard", async () => {
    const loaded = PARTS.words[2].screen;
    const { onPointerEnter, onFocus } = aheadOf("/bench/corner/words/groups");
    expect(loaded.ready).toBeNull();
    onPointerEnter();
    onFocus();
    await waitFor(() => expect(loaded.ready).not.toBeNull());
  });

  it("is what a store is opened with, asked once", async () => {
    const sent = serve(Settings.parse({}));
    askAhead("/bench/corner/words/rules");
    const asked = sent.length;
    expect(sent.map(({ path }) => path)).toContain("/api/stores/corner/front");
    await bench().openStore("corner");
    expect(opened().store.name).toBe("Corner shop");
    expect(sent.slice(asked).map(({ path }) => path)).toEqual(Array(sent.length - asked).fill("/api/stores/corner/search"));
    // A second opening, as after an import, asks anew.
    await bench().openStore("corner");
    expect(sent.filter(({ path }) => path === "/api/stores/corner/front")).toHaveLength(2);
  });

  it("of another store than the one that is opened is not taken for it", async () => {
    serve(Settings.parse({}));
    askAhead("/bench/ecke");
    await bench().openStore("corner");
    expect(opened().store.name).toBe("Corner shop");
  });

  it("and could not be read is said when the store is opened", async () => {
    serve(Settings.parse({}), ["/corner/fields"]);
    askAhead("/bench/corner");
    await bench().openStore("corner");
    expect(bench()).toMatchObject({ open: null, failure: "The store is being repaired." });
  });

  it.each(["/bench", "/bench/", "/bench/new", "/shop/corner"])("is nothing at %s", (path) => {
    const sent = serve(Settings.parse({}));
    askAhead(path);
    expect(sent).toEqual([]);
  });

  it("knows the stems of a language, and takes words as they are in one that has none", async () => {
    expect((await loadStem("en"))("roses")).toBe("rose");
    expect((await loadStem("ja"))("roses")).toBe("roses");
  });
});
