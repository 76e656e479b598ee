import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { shownSearches } from "./shown-searches";

describe("what searches showed", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-shown-"));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const shown = { searched: "rose", outcome: "results" as const, total: 2, shown: ["a", "b"], rules: [] };

  it("is known until an hour is over, also after a restart", () => {
    let time = 1_000_000;
    const file = join(folder, "shown.db");
    let kept = shownSearches(file, () => time);
    kept.put("s1", shown);
    expect(kept.of("s1")).toEqual(shown);
    kept.close();
    kept = shownSearches(file, () => time);
    expect([kept.of("s1"), kept.of("s2")]).toEqual([shown, null]);
    time += 59 * 60_000;
    kept.put("s2", shown);
    kept.flush();
    kept.forgetOld();
    expect(kept.of("s1")).toEqual(shown);
    time += 2 * 60_000;
    kept.forgetOld();
    expect([kept.of("s1"), kept.of("s2")]).toEqual([null, shown]);
    kept.close();
  });

  it("begins anew where its file is damaged", () => {
    const file = join(folder, "damaged.db");
    writeFileSync(file, "no database at all, but long enough to be taken for one".repeat(40));
    const kept = shownSearches(file);
    kept.put("s1", shown);
    kept.flush();
    expect(kept.of("s1")).toEqual(shown);
    kept.close();
  });
});
