import { Settings, type SettingsInput } from "../../settings/schema";
import { boxChanges } from "./changes-box";

const changes = (box: SettingsInput["box"]) =>
  boxChanges(Settings.parse({}), Settings.parse({ box })).map(({ subject, text }) => `${subject}: ${text}`);
const { blocks } = Settings.parse({}).box.moments.focus;

describe("changes of the search box in words", () => {
  test("nothing changed is nothing said", () => expect(changes({})).toEqual([]));
  test("name the moment, and what came and went in it", () => {
    const { recent: _gone, ...others } = blocks;
    const news = { kind: "message" as const, text: { en: "Hello" }, rank: "z" };
    expect(changes({ moments: { focus: { shares: [4, 8], blocks: { ...others, news } } } })).toEqual([
      "Search box on focus: blocks: 1 added, 1 removed",
    ]);
    expect(changes({ moments: { focus: { shares: [6, 6], blocks } } })).toEqual(["Search box on focus: changed"]);
  });
  test("name each search of the own list, and each way in which the box behaves", () => {
    expect(changes({ list: { a: { text: "mint" } }, voice: true, from: 2 })).toEqual([
      "Letters from which the box proposes: changed",
      "The microphone: changed",
      "Own search “mint”: added",
    ]);
  });
});
