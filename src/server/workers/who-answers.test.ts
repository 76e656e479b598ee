import { readKeys } from "../routes/reading";
import { canWait, whoAnswers } from "./who-answers";

test("every route that is named has a handler, and those that are not are short ones of the bench", () => {
  const by = (who: string) => readKeys().filter((key) => !key.includes("/public/") && whoAnswers(key) === who);
  expect(by("search")).toHaveLength(12);
  expect(by("long")).toHaveLength(20);
  expect(by("bench").every((key) => key.includes(" /api/stores/"))).toBe(true);
});

test("reports wait for searches, changes do not", () => {
  expect(canWait("GET /api/stores/{store}/setup")).toBe(true);
  for (const name of ["edited draft", "changed catalogue", "POST /shop/{store}/search", "GET /api/stores/{store}/fields"])
    expect(canWait(name)).toBe(false);
  expect(whoAnswers("edited draft")).toBe("long");
});
