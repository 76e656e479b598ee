import { log as lines } from "../operations/logger";
import { goneAt, letGo } from "./kept-stores";

describe("stores that were removed", () => {
  const kept = (id: string, removedAt: string) => ({ row: { id } as never, removedAt });

  it("go after thirty days, each by itself", async () => {
    const gone: string[] = [];
    const engine = {
      removed: () => [kept("old", "2026-10-01T00:00:00Z"), kept("stuck", "2026-10-02T00:00:00Z"), kept("new", "2026-11-20T00:00:00Z")],
      remove: async (id: string) => {
        if (id === "stuck") throw new Error("The disk does not let it go.");
        gone.push(id);
      },
    };
    jest.spyOn(lines, "error").mockImplementation(() => undefined);
    await letGo(engine, Date.parse("2026-11-30T12:00:00Z"));
    expect(gone).toEqual(["old"]);
    await letGo(engine, Date.parse("2026-12-21T00:00:00Z"));
    expect(gone).toEqual(["old", "old", "new"]);
    expect(goneAt("2026-11-20T00:00:00.000Z")).toBe("2026-12-20T00:00:00.000Z");
  });
});
