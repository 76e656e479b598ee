import { writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { resolve } from "node:path";
import { engineFigures, type Figure } from "./engine";
import { importFigures } from "./imports";
import { readingFigures } from "./reading";
import { windowFigures } from "./window";

const isQuick = process.argv.includes("--quick");
const only = process.argv.find((argument) => argument.startsWith("--only="))?.slice("--only=".length);
const importSize = Number(
  process.argv.find((argument) => argument.startsWith("--products="))?.slice("--products=".length) ?? (isQuick ? 20_000 : 200_000),
);
const figures: Figure[] =
  only === "imports"
    ? await importFigures(importSize)
    : only === "reading"
      ? await readingFigures()
      : [
          ...engineFigures(2561, 150, isQuick ? 2 : 5),
          ...engineFigures(isQuick ? 10_000 : 40_000, isQuick ? 60 : 150, isQuick ? 1 : 5),
          ...(await windowFigures()),
          ...(await importFigures(importSize)),
          ...(await readingFigures()),
        ];

const say = (value: number | null) => (value === null ? "" : value.toFixed(value < 10 ? 2 : 0));
const rows = figures.map(({ what, products, here, beside, unit }) => [
  what,
  products.toLocaleString("en-GB"),
  `${say(here)} ${unit}`,
  beside === null ? "" : `${say(beside)} ${unit}`,
  beside === null ? "" : `1/${say(beside / here)}`,
]);
const table = [["what", "products", "Clever Shelf", "MiniSearch", "ratio"], ["---", "---:", "---:", "---:", "---:"], ...rows]
  .map((row) => `| ${row.join(" | ")} |`)
  .join("\n");
console.log(`${cpus()[0]?.model ?? "unknown processor"}, ${cpus().length} cores, Node ${process.versions.node}\n\n${table}`);
writeFileSync(resolve(import.meta.dirname, "../bench.json"), JSON.stringify({ at: new Date().toISOString(), figures }, null, 2));
