import type { Conflict } from "../conflicts/conflict";
import { stateOf } from "./state";

const NOW = Date.parse("2026-11-24T12:00:00Z");
const rule = { on: true, from: null, until: null };
const name = { part: "shelves", id: "week" } as const;
const conflict = (kind: string, of = "week", other: string | null = null) =>
  ({ kind, rule: { part: "shelves", id: of }, other: other && { part: "shelves", id: other } }) as unknown as Conflict;
const state = (changes: Partial<Record<keyof typeof rule, unknown>>, conflicts: Conflict[] = []) =>
  stateOf(name, { ...rule, ...changes } as typeof rule, conflicts, NOW);

describe("how a rule stands", () => {
  it("is active, unless it is off, planned or over", () => {
    expect(state({})).toBe("acting");
    expect(state({ on: false })).toBe("off");
    expect(state({ from: "2026-12-01T00:00:00Z" })).toBe("planned");
    expect(state({ from: "2026-11-01T00:00:00Z", until: "2026-12-01T00:00:00Z" })).toBe("acting");
    expect(state({ until: "2026-11-24T12:00:00Z" })).toBe("ended");
  });

  it.each(["always-covered", "empty", "shows-nothing", "redirect-loop"])("never comes to anything where it is %s", (kind) => {
    expect(state({}, [conflict(kind)])).toBe("never");
    // Another rule's matter is not its own.
    expect(state({}, [conflict(kind, "month")])).toBe("acting");
  });

  it("is in conflict as the one, or as the other", () => {
    expect(state({}, [conflict("two-for-one-place")])).toBe("conflict");
    expect(state({}, [conflict("two-for-one-place", "month", "week")])).toBe("conflict");
  });

  it("says first what is worst: off and over, never, a product gone, a conflict, planned", () => {
    const all = [conflict("two-for-one-place"), conflict("product-gone"), conflict("empty")];
    expect(state({ on: false }, all)).toBe("off");
    expect(state({}, all)).toBe("never");
    expect(state({}, all.slice(0, 2))).toBe("gone");
    expect(state({ from: "2026-12-01T00:00:00Z" }, all.slice(0, 1))).toBe("conflict");
  });
});
