import type { Field } from "@contract/fields";
import { MESSAGE_IDS, namesOf, usualText } from "@core/settings/message-texts";
import { Badge } from "@core/settings/page/badge";
import { Block } from "@core/settings/page/block";
import { proposedBadges } from "./badges/proposals";
import { sayBlock } from "./blocks/say-block";
import { groupsOf, TRIALS } from "./messages/groups";

const field = (key: string, role: string, coverage = 1) => ({ key, label: key, role, coverage }) as Field;

describe("badges that are proposed", () => {
  test("are those that the catalogue's roles allow, and good as they are", () => {
    const all = proposedBadges(
      [field("sale", "salePrice"), field("qty", "stock"), field("since", "added"), field("stars", "rating")],
      "de",
    );
    expect(all.map(({ badge }) => badge.text.de)).toEqual(["−{discount} %", "Nur noch {left}", "Neu", "Beliebt"]);
    for (const { badge } of all) expect(Badge.safeParse({ ...badge, rank: "a" }).error).toBeUndefined();
    expect(proposedBadges([field("sale", "salePrice", 0)], "en")).toEqual([]);
  });
});

describe("a block in one line", () => {
  const say = (part: object) => sayBlock(Block.parse({ title: {}, rank: "a", ...part }), { s: { name: "Gifts" } });
  test("what it shows, where, and when", () => {
    expect(say({ shows: { same: { category: ["Books", "Growing food"] } }, place: "inside", after: 8, least: 2 })).toBe(
      "The same search in Books › Growing food, after 8 results, when there are 2 or more",
    );
    expect(say({ shows: { selection: "s" } })).toBe("What sells best of “Gifts”, over the results");
    expect(say({ shows: { selection: "gone" }, place: "beside" })).toBe("What sells best of “a selection that is gone”, beside them");
    expect(say({ shows: { products: ["a", "b"] } })).toMatch(/^2 products/);
    expect(say({ shows: { categories: [["Plants", "Roses"], ["Seeds"]] } })).toMatch(/^Categories Roses, Seeds/);
    expect(say({ shows: { pages: ["g"] } })).toMatch(/^One guide/);
  });
});

describe("the list of messages", () => {
  const textOf = (id: (typeof MESSAGE_IDS)[number]) => usualText(id, "en");
  test("has each message once, by where it is read", () => {
    const groups = groupsOf("", textOf);
    expect(groups.flatMap(({ ids }) => ids).sort()).toEqual([...MESSAGE_IDS].sort());
  });
  test("is found by what it says, and by where it is read", () => {
    expect(groupsOf("BASKET", textOf).flatMap(({ ids }) => ids)).toEqual(["card.basket", "card.in-basket", "kept.basket"]);
    expect(groupsOf("paging", textOf).map(({ place }) => place)).toEqual(["Paging"]);
    expect(groupsOf("no such words", textOf)).toEqual([]);
  });
  test("has a value to try for every name", () => {
    const names = new Set(MESSAGE_IDS.flatMap((id) => namesOf(id)));
    for (const trial of TRIALS) expect([...names].filter((name) => trial[name] === undefined)).toEqual([]);
  });
});
