import { readdirSync, readFileSync } from "node:fs";
import { resolve } from "node:path";
import { readNouns, type Sense } from "./wordnet";

/** A catalogue that nothing was tuned for: texts as they are, and labels that people gave which the texts are judged by. */
export interface TextShop {
  name: string;
  rows: TextRow[];
}

export interface TextRow {
  id: string;
  title: string;
  description: string;
  brand?: string;
  category?: string;
  /** What it is, in words that need not be in its texts. */
  labels: string[];
}

export const textShops = (): TextShop[] => [
  { name: "technical articles", rows: articles() },
  { name: "food", rows: kindsOf("food", 3) },
  { name: "clothing", rows: kindsOf("clothing", 3) },
  { name: "tools and instruments", rows: kindsOf("instrumentality", 3).filter((_, i) => i % 2 === 0) },
];

/** The handbooks of what is installed here, judged by the keywords of their authors. */
function articles(): TextRow[] {
  const folder = resolve("node_modules");
  const names = readdirSync(folder)
    .filter((name) => !name.startsWith("."))
    .flatMap((name) => (name.startsWith("@") ? readdirSync(resolve(folder, name)).map((own) => `${name}/${own}`) : [name]));
  return names.sort().flatMap((name): TextRow[] => {
    try {
      const about = JSON.parse(readFileSync(resolve(folder, name, "package.json"), "utf8"));
      const readme = readdirSync(resolve(folder, name)).find((file) => /^readme/i.test(file));
      if (!readme || !Array.isArray(about.keywords) || !about.description) return [];
      const text = readFileSync(resolve(folder, name, readme), "utf8")
        .replace(/```[\s\S]*?```/g, " ")
        .replace(/<[^>]*>|\(https?:[^)]*\)|https?:\S+|[#*_`|[\]]/g, " ")
        .replace(/\s+/g, " ");
      const labels = about.keywords.map((word: unknown) => String(word).toLowerCase().replace(/[-_]/g, " "));
      return [
        { id: name, title: name.replace(/[@/_.-]+/g, " ").trim(), description: `${about.description} ${text.slice(0, 2500)}`, labels },
      ];
    } catch {
      return [];
    }
  });
}

/** Everything that is a kind of something, under its first name, judged by what it is a kind of. */
function kindsOf(root: string, levels: number): TextRow[] {
  const nouns = readNouns();
  const isRoot = ({ names }: Sense) => names[0] === root;
  const above = (id: string, left: number): string[] =>
    left === 0 ? [] : (nouns.get(id)?.kindOf ?? []).flatMap((one) => [one, ...above(one, left - 1)]);
  const isUnder = (id: string): boolean => {
    const own = nouns.get(id);
    return own !== undefined && (isRoot(own) || own.kindOf.some(isUnder));
  };
  return [...nouns].flatMap(([id, { names, gloss, kindOf }]): TextRow[] => {
    if (!kindOf.some(isUnder)) return [];
    const labels = [...above(id, levels).flatMap((one) => nouns.get(one)?.names ?? []), ...names];
    return [{ id, title: names[0], description: gloss, labels: labels.map((name) => name.toLowerCase()) }];
  });
}
