import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";
import { foldMarks } from "./fold";
import { tokenise } from "./tokens";

const wordsOf = (text: string) => tokenise(text).map(({ word }) => word);

describe("words of every script", () => {
  test.each([
    ["赤いバラの苗", ["赤い", "バラ", "の", "苗"]],
    ["红玫瑰花", ["红", "玫瑰", "瑰花"]],
    ["ดอกกุหลาบสีแดง", ["ดอก", "กุหลาบ", "สี", "แดง"]],
    ["красные розы", ["красные", "розы"]],
    ["ورد أحمر", ["ورد", "احمر"]],
    ["Rose 薔薇 9cm", ["rose", "薔薇", "9", "cm"]],
    ["C++ and C# or C", ["c++", "and", "c#", "or", "c"]],
    ["A+B, 5+3, #1", ["a", "b", "5", "3", "1"]],
  ])("%s", (text, words) => {
    expect(wordsOf(text)).toEqual(words);
  });

  test("marks are folded only where a word is the same without them", () => {
    expect(["crème", "Ёлка".toLowerCase(), "כֹּל", "バラ", "が", "ก็", "हिन्दी"].map(foldMarks)).toEqual([
      "creme",
      "елка",
      "כל",
      "バラ",
      "が",
      "ก็",
      "हिन्दी",
    ]);
  });

  test("are found in one catalogue", () => {
    const titles = ["赤いバラの苗", "红玫瑰", "กุหลาบแดง", "Красная роза", "Red rose", "C++ for gardeners", "C for gardeners", "ハラ"];
    const fields = [{ key: "title", label: "Title", type: "text", role: "title", unit: null, perOption: false, shown: true } as const];
    const index = build({
      locale: "en",
      fields,
      products: titles.map((title, i) => ({ id: `${i}`, values: { title }, options: [] })),
      pages: [],
    });
    const find = (query: string) =>
      search(prepare(index, defaultSettings(index)), SearchRequest.parse({ query }), { at: 0, visible: () => true }).hits.map(
        ({ title }) => title,
      );
    expect(find("バラ")).toEqual(["赤いバラの苗"]);
    expect(find("玫瑰")).toEqual(["红玫瑰"]);
    expect(find("玫瑰花")).toEqual(["红玫瑰"]);
    expect(find("กุหลาบ")).toEqual(["กุหลาบแดง"]);
    expect(find("роза")).toEqual(["Красная роза"]);
    expect(find("c++")).toEqual(["C++ for gardeners"]);
    expect(find("c")).toEqual(["C for gardeners"]);
  });
});
