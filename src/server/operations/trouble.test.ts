import { log } from "./logger";
import { hasNoSpace, noteTrouble, troubleNow, whereThereIsRoom } from "./trouble";

const withCode = (code: string) => Object.assign(new Error("x"), { code });

describe("what goes wrong in the background", () => {
  beforeEach(() => void jest.spyOn(log, "error").mockImplementation(() => undefined));
  afterEach(() => jest.restoreAllMocks());

  it("is told for some minutes, the latest first", () => {
    noteTrouble("Events are not written", withCode("SQLITE_FULL"));
    expect(troubleNow()).toBe("Events are not written: there is no space left on the disk.");
    noteTrouble("The log is not counted", new Error("the file is gone"));
    expect(troubleNow()).toBe("The log is not counted: the file is gone.");
    expect(troubleNow(Date.now() + 11 * 60_000)).toBeNull();
  });

  it.each(["ENOSPC", "EDQUOT", "SQLITE_FULL"])("%s means a full disk, in a cause too", (code) => {
    expect(hasNoSpace(withCode(code))).toBe(true);
    expect(hasNoSpace(new Error("the import failed", { cause: withCode(code) }))).toBe(true);
  });

  it("all else means something else", () => {
    for (const other of [withCode("ENOENT"), new Error("ENOSPC"), "ENOSPC", null]) expect(hasNoSpace(other)).toBe(false);
  });

  it("is left undone where there is no room, and anything else is raised", () => {
    const full = () => {
      throw withCode("ENOSPC");
    };
    expect([whereThereIsRoom(() => 1), whereThereIsRoom(full)]).toEqual([true, false]);
    expect(whereThereIsRoom(full, "The name is not kept")).toBe(false);
    expect(troubleNow()).toBe("The name is not kept: there is no space left on the disk.");
    expect(() =>
      whereThereIsRoom(() => {
        throw new Error("a defect");
      }),
    ).toThrow("a defect");
  });
});
