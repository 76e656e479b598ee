import type { Sketch } from "./product";

/**
 * Troubles built in on purpose, so that there is something to mend:
 *
 * - Local words: one brand prints eggplant, zucchini, cilantro, arugula … and never the words its neighbours use (kinds/seeds.ts).
 * - Botanical titles: some plants come under their botanical name alone (kinds/plants.ts).
 * - Fancy colours: claret, damask pink and powder blue, where shoppers say red, pink and blue (words/colours.ts).
 * - Numbers without a unit: "seedCount" is a bare number; pot sizes mix centimetres and litres, so they stay words.
 * - Options: pot sizes, packs, colours, boot sizes, each with its own price and stock.
 * - Seasons: spring bulbs are planted in autumn, and frost-tender plants are on sale in November.
 * - Sold-out favourites: what sells best is sold out most often (catalogue.ts).
 * - Own brand: Quillmoor earns more (margin, which shoppers never see).
 * - Misspelt titles: a few suppliers cannot spell, which hides what they sell and keeps shoppers' misspellings uncorrected.
 * - Duplicates: four products come a second time, with a number, a price and a stock of their own (catalogue.ts).
 * - Missing values: a few products lack a height, a colour, a rating.
 */
export function addTroubles(sketches: Sketch[]): void {
  const misspell = (right: RegExp, wrong: string) => {
    const sketch = sketches.find((entry) => right.test(entry.title) && !entry.title.includes(wrong));
    if (sketch) sketch.title = sketch.title.replace(right, wrong);
  };
  misspell(/^Fuchsia/, "Fuschia");
  misspell(/^Hebe/, "Heebe");
  misspell(/^Pelargonium/, "Pelargoneum");
  sketches.forEach((sketch, i) => {
    if (i % 37 === 5) delete sketch.height;
    if (i % 41 === 9) delete sketch.flowerColour;
    if (i % 53 === 11) delete sketch.light;
  });
}
