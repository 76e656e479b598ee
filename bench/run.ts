import { writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { resolve } from "node:path";
import { engineFigures, type Figure } from "./engine";
import { importFigures } from "./imports";
import { correctedShare } from "./misspellings";
import { demoShop } from "./quality";
import { qualityTable } from "./quality-beside";
import { readingFigures } from "./reading";
import { windowFigures } from "./window";

const only = process.argv.find((argument) => argument.startsWith("--only="))?.slice("--only=".length);
const isQuick = process.argv.includes("--quick");
const importSize = Number(
  process.argv.find((argument) => argument.startsWith("--products="))?.slice("--products=".length) ?? (isQuick ? 20_000 : 200_000),
);
if (only !== "quality") await sayFigures();
if (only === "quality" || only === undefined) sayQuality(isQuick ? 60 : 250);

/** Speed and memory, as a table and as a file. */
async function sayFigures(): Promise<void> {
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
}

function sayQuality(perClass: number): void {
  console.log(`\n${qualityTable(perClass)}`);
  const { tried, right, beside, wrong } = correctedShare(demoShop().catalogue);
  const share = right / tried;
  const within = 1.96 * Math.sqrt((share * (1 - share)) / tried);
  console.log(
    `\nMisspellings of Wikipedia's list: ${right} of ${tried} right first, ${(share * 100).toFixed(1)} % ± ${(within * 100).toFixed(1)}; MiniSearch ${((beside / tried) * 100).toFixed(1)} %.`,
  );
  console.log(`Wrong: ${wrong.slice(0, 20).join("; ")}`);
}
