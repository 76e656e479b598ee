import { backupName, tooMany } from "./name";
import { isSchedule } from "./schedule";

const at = (day: number) => new Date(Date.UTC(2026, 10, day, 3, 0, 0));

describe("backups that are made by themselves", () => {
  it("have names in the order of time, and those of one store have another", () => {
    expect(backupName(at(2), null)).toBe("clever-shelf-2026-11-02T03-00-00-000Z.tar.gz");
    expect(backupName(at(2), "corner")).toBe("clever-shelf-corner-2026-11-02T03-00-00-000Z.tar.gz");
  });

  it("go when there are more than are kept, the oldest first, and nothing else of the folder goes", () => {
    const names = [3, 1, 2].map((day) => backupName(at(day), null));
    const others = [backupName(at(1), "corner"), "notes.txt", "clever-shelf.db", ".backup-x", `${backupName(at(1), null)}.part`];
    expect(tooMany([...names, ...others], 2)).toEqual([backupName(at(1), null)]);
    expect(tooMany([...names, ...others], 3)).toEqual([]);
    expect(tooMany([], 3)).toEqual([]);
  });

  it("have a schedule that is a cron expression", () => {
    expect(["0 3 * * *", "*/15 * * * *", "@daily", "0 3 * *", "at three", "61 3 * * *"].map(isSchedule)).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});
