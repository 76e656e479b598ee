import { Condition } from "./condition";
import { problemOfSelections } from "./selection-levels";

const of = (conditions: Record<string, Condition>) =>
  problemOfSelections(Object.fromEntries(Object.entries(conditions).map(([id, condition]) => [id, { condition }])));
const ROSES: Condition = { field: "category", is: "Roses" };
const chain = (length: number) =>
  Object.fromEntries(Array.from({ length }, (_, i) => [`s${i}`, i + 1 < length ? { selection: `s${i + 1}` } : ROSES]));

describe("selections made of one another", () => {
  it("are in order where each comes to an end", () => {
    expect(of({})).toBeNull();
    expect(of({ roses: ROSES, red: { all: [{ selection: "roses" }, { not: { selection: "gone" } }] } })).toBeNull();
    expect(of(chain(20))).toBeNull();
  });

  it("cannot lead back to themselves, by whatever way", () => {
    expect(of({ a: { selection: "a" } })).toMatchObject({ id: "a", message: "A selection cannot be made of itself." });
    expect(of({ a: { any: [ROSES, { selection: "b" }] }, b: { not: { selection: "a" } } })?.message).toMatch(/of itself/);
  });

  it("are not so many that nobody could say what is meant, and no number of them stops the check", () => {
    for (const length of [22, 20_000]) expect(of(chain(length))?.message).toBe("At most 20 selections can be made of one another.");
    const twice = Object.fromEntries(
      Array.from({ length: 19 }, (_, i) => [`s${i}`, { any: [{ selection: `s${i + 1}` }, { selection: `s${i + 1}` }] }]),
    );
    expect(of(twice)).toBeNull();
  });

  it("named like members of every object are no selections", () => {
    expect(of({ a: { any: [{ selection: "constructor" }, { selection: "__proto__" }] } })).toBeNull();
  });
});

describe("a condition", () => {
  const within = (levels: number): unknown => Array.from({ length: levels }).reduce((inner) => ({ not: inner }), ROSES as unknown);

  it("has at most twelve levels, and says so", () => {
    expect(Condition.safeParse(within(12)).success).toBe(true);
    const refused = Condition.safeParse(within(13));
    expect(refused.error?.issues.map(({ message }) => message).join()).toMatch(/at most 12 levels of all, any and not/);
  });
});
