import { writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { resolve } from "node:path";
import { changeFigures } from "./changes";
import { demandTable } from "./demand";
import type { Figure } from "./figure";
import { importFigures } from "./imports";
import { setupTable } from "./known-items";
import { measureMemory, memoryFigure } from "./memory";
import { correctedShare } from "./misspellings";
import { needsTable } from "./needs/table";
import { demoShop } from "./quality";
import { qualityTable } from "./quality-beside";
import { readingFigures } from "./reading";
import { repairTable } from "./repair";
import { SHAPES, shapeFigures } from "./shapes";
import { leanShop } from "./shop";
import { speedFigures } from "./speed";
import { textTable } from "./texts/table";
import { windowFigures } from "./window";

const option = (name: string) => process.argv.find((argument) => argument.startsWith(`--${name}=`))?.slice(name.length + 3);
/** Four times the products may cost so many times each figure. */
const GROWTH = 2.3 ** 2;
/** Goals are for shops of this size and larger. */
const GOALS_FROM = 100_000;

const isQuick = process.argv.includes("--quick");
const products = Number(option("products") ?? 0);
const memory = option("memory");
if (memory) console.log(measureMemory(memory as Parameters<typeof measureMemory>[0], products));
else await sayAll(option("only"));

/** Every part of the bench, or one: speed, shapes, window, imports, reading, quality, needs, repair, demand. */
async function sayAll(only: string | undefined): Promise<void> {
  const wants = (part: string) => only === undefined || only === part;
  const figures: Figure[] = [];
  const say = (some: Figure[]) => {
    figures.push(...some);
    for (const figure of some) console.log(line(figure));
  };
  console.log(`${cpus()[0]?.model ?? "unknown processor"}, ${cpus().length} cores, Node ${process.versions.node}\n`);
  if (only === undefined || !["quality", "needs", "repair", "demand"].includes(only))
    console.log(
      `${row(["what", "products", "Clever Shelf", "beside", "", "ratio", "goal"])}\n${row(["---", "---:", "---:", "---:", "---", "---:", "---:"])}`,
    );
  if (wants("speed"))
    for (const size of products > 0 ? [products] : isQuick ? [10_000] : [10_000, 100_000, 400_000]) say(speedOf(size, figures));
  if (wants("shapes"))
    for (const [name, { products: usual }] of Object.entries(SHAPES)) {
      const isWanted = option("shape") === undefined ? usual !== null : option("shape") === name;
      if (isWanted) say(shapeFigures(name as keyof typeof SHAPES, products || (isQuick ? 5_000 : (usual ?? 1_000_000)), isQuick ? 1 : 3));
    }
  if (wants("window") && !isQuick) say(await windowFigures(products || 100_000));
  if (wants("imports") && !isQuick) say(await importFigures(products || 200_000));
  if (wants("reading") && !isQuick) say(await readingFigures());
  writeFileSync(resolve(import.meta.dirname, "../bench.json"), JSON.stringify({ at: new Date().toISOString(), figures }, null, 2));
  if (wants("quality")) sayQuality(isQuick ? 30 : 250);
  if (wants("needs")) console.log(`\n${needsTable()}`);
  if (wants("demand") && !isQuick) console.log(`\n${demandTable()}`);
  if (wants("repair") && !isQuick) console.log(`\n${await repairTable()}`);
}

/** All that section 6 of the contract asks for, at one size; beside the same at a quarter of the size where that was measured. */
function speedOf(size: number, before: readonly Figure[]): Figure[] {
  const catalogue = leanShop(size);
  const { figures, index, building } = speedFigures(catalogue, isQuick ? 30 : 120, isQuick ? 1 : size > 100_000 ? 2 : 5);
  figures.push(...changeFigures(catalogue, index, building, isQuick ? 3 : 7));
  if (!isQuick) figures.push(memoryFigure(size));
  const isOnce = (figure: Figure, i: number) => figures.findIndex((entry) => entry.what === figure.what) === i;
  const grown = figures.filter(isOnce).flatMap((figure): Figure[] => {
    const smaller = before.find((entry) => entry.what === figure.what && entry.than === figure.than && entry.products * 4 === size);
    return smaller
      ? [{ ...figure, what: `${figure.what}, four times the products`, beside: smaller.here, than: "a quarter of them", goal: GROWTH }]
      : [];
  });
  // Goals of speed are for large shops.
  return [...figures, ...grown].map((figure) => (size < GOALS_FROM ? { ...figure, goal: undefined } : figure));
}

function line({ what, products: size, here, beside, than, unit, goal }: Figure): string {
  const say = (value: number) => value.toFixed(value < 10 ? 2 : 0);
  const ratio = (value: number) => (value < 0.8 ? `1/${say(1 / value)}` : say(value));
  return row([
    what,
    size.toLocaleString("en-GB"),
    `${say(here)} ${unit}`,
    beside === null ? "" : `${say(beside)} ${unit}`,
    than,
    beside === null ? "" : ratio(here / beside),
    goal === undefined || beside === null ? "" : `${ratio(goal)} ${here / beside <= goal ? "reached" : "**not reached**"}`,
  ]);
}

function row(cells: string[]): string {
  return `| ${cells.join(" | ")} |`;
}

function sayQuality(perClass: number): void {
  console.log(`\n${qualityTable(perClass)}`);
  console.log(`\n${textTable(perClass)}`);
  console.log(`\n${setupTable(demoShop().catalogue, 200)}`);
  const { tried, right, beside, wrong } = correctedShare(demoShop().catalogue);
  const share = right / tried;
  const within = 1.96 * Math.sqrt((share * (1 - share)) / tried);
  console.log(
    `\nMisspellings of Wikipedia's list: ${right} of ${tried} right first, ${(share * 100).toFixed(1)} % ± ${(within * 100).toFixed(1)}; MiniSearch ${((beside / tried) * 100).toFixed(1)} %.`,
  );
  console.log(`Wrong: ${wrong.slice(0, 20).join("; ")}`);
}
