import type { PatchOperation } from "@core/settings/patch";
import { Settings } from "@core/settings/schema";
import { QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { answers } from "../../src/web/bench/ask/client";
import { useLeaving } from "../../src/web/bench/forms/leave";
import { useBench } from "../../src/web/bench/state/bench";

const field = (key: string, more: object = {}) => ({
  key,
  label: key[0].toUpperCase() + key.slice(1),
  type: "text",
  role: null,
  shown: true,
  samples: [],
  ...more,
});
export const FIELDS = [
  field("title", { role: "title" }),
  field("brand", { role: "brand" }),
  field("price", { type: "number", role: "price" }),
];

/** In ms: with it answers come late and in any order, which finds tests that count on one (SLOW_ANSWERS=250 npx jest src/web). */
const SLOW = Number(process.env.SLOW_ANSWERS ?? 0);

/**
 * Shows a part of the bench over an open draft. Edits are kept in `sent` and taken or refused as `answer.isTaken` says; those that
 * are taken change nothing by themselves. Whatever else is asked of the server never comes, but for what `serve` gives; an Error that
 * it gives is a refusal.
 */
export function showInBench(
  children: ReactNode,
  { settings: part = {}, open = {}, serve }: { settings?: object; open?: object; serve?: (path: string, body: unknown) => unknown } = {},
) {
  const settings = Settings.parse(part);
  const sent: PatchOperation[][] = [];
  const answer = { isTaken: true };
  const edit = async (patch: readonly PatchOperation[]) => {
    sent.push([...patch]);
    return answer.isTaken;
  };
  answers.clear();
  globalThis.fetch = (async (address: string, init?: RequestInit) => {
    const given = serve?.(String(address), init?.body ? JSON.parse(String(init.body)) : undefined);
    if (given === undefined) return new Promise(() => undefined);
    if (SLOW > 0) await new Promise((done) => setTimeout(done, Math.random() * SLOW));
    const isRefused = given instanceof Error;
    const body = isRefused ? { type: "about:blank", title: given.message, status: 500, detail: given.message } : given;
    const headers = new Map([["content-type", isRefused ? "application/problem+json" : "application/json"]]);
    return { ok: !isRefused, status: isRefused ? 500 : 200, headers, json: async () => body, text: async () => JSON.stringify(body) };
  }) as unknown as typeof fetch;
  const store = { id: "corner", name: "Corner shop", locale: "en-GB", currency: "GBP", languages: ["en"], timeZone: "Europe/London" };
  const front = {
    categories: [{ path: ["Plants"], products: 4 }],
    fields: [],
    filters: [],
    language: "en",
    locale: "en-GB",
    currency: "GBP",
  };
  useLeaving.setState({ begun: new Set(), next: null });
  useBench.setState({
    open: { store, settings, live: settings, front, liveFront: front, fields: FIELDS, revision: 1, release: null, ...open } as never,
    edit,
  } as never);
  const router = createMemoryRouter([
    { path: "/", element: children },
    { path: "*", element: <p>Elsewhere</p> },
  ]);
  const shown = render(
    <QueryClientProvider client={answers}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  return { ...shown, sent, answer, settings, router };
}

/** Gives all elements a size: only what is in sight is drawn of a table, and nothing is where nothing has a size. */
export function giveSize(height = 400, width = 600): void {
  for (const [name, value] of Object.entries({ clientHeight: height, clientWidth: width }))
    Object.defineProperty(Element.prototype, name, { configurable: true, value });
}
