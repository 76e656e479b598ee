import { hasNoSpace, noteTrouble, troubleNow } from "./trouble";

const withCode = (code: string) => Object.assign(new Error("x"), { code });

describe("what goes wrong in the background", () => {
  beforeEach(() => void jest.spyOn(console, "error").mockImplementation(() => undefined));
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
});
