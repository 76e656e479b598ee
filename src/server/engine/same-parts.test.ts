import { Settings } from "@core/settings/schema";
import { withSameParts } from "./same-parts";

test("settings share with others what they say alike, and stay what they are", () => {
  const words = { w: { does: "ignore", words: ["the"] }, v: { does: "synonym", words: ["a", "b"] } };
  const others = Settings.parse({ words, hides: { h: { name: "Old", products: ["a"], places: ["searching"] } } });
  const settings = Settings.parse(JSON.parse(JSON.stringify({ ...others, words: { v: words.v, w: { ...words.w, on: false } } })));
  const made = withSameParts(settings, others);
  expect(JSON.stringify(made)).toBe(JSON.stringify(settings));
  expect(made.hides).toBe(others.hides);
  expect(made.ranking).toBe(others.ranking);
  expect(made.words).not.toBe(others.words);
  expect(made.words.v).toBe(others.words.v);
  expect(made.words.w).not.toBe(others.words.w);
});
