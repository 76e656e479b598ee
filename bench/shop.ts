import { makeCatalogue } from "../demo/catalogue";
import { Random } from "../demo/random";
import type { Catalogue } from "../src/core/catalogue/types";
import { Assembler } from "../src/core/feed/assemble";
import type { Row } from "../src/core/feed/flatten";
import { proposeMapping } from "../src/core/feed/mapping";

const SYLLABLES = ["ba", "do", "ka", "li", "mo", "na", "pe", "ri", "so", "tu", "ve", "wi", "zan", "mir", "tol", "gard"];

/** The demo's catalogue grown to a size: each round of products has a name of its own, so that the vocabulary grows too. */
export function grownShop(products: number, seed = 4820): Catalogue {
  const { products: rows } = makeCatalogue(seed);
  const random = new Random(seed + 1);
  const assembler = new Assembler(proposeMapping(rows.slice(0, 400) as unknown as Row[]));
  for (let i = 0; i < products; i++) {
    const row = rows[i % rows.length];
    const round = Math.floor(i / rows.length);
    const name = Array.from({ length: 3 }, () => random.pick(SYLLABLES)).join("");
    const renamed =
      round === 0 ? row : { ...row, id: `${row.id}-${round}`, sku: `${row.sku}-${round}`, title: `${row.title} ${name}`, options: [] };
    assembler.add(JSON.parse(JSON.stringify(renamed)) as Row, i + 1);
  }
  const made = assembler.finish();
  return { locale: "en-GB", fields: made.fields, products: made.products, pages: [] };
}

/** Queries of one to three words from titles and categories, one in five with a letter missing. */
export function typicalQueries(catalogue: Catalogue, count: number, seed = 7): string[] {
  const random = new Random(seed);
  return Array.from({ length: count }, (_, i) => {
    const { values } = random.pick(catalogue.products);
    const words = `${values.title} ${(values.category as string[][])[0].join(" ")}`
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter((word) => word.length > 2);
    const query = random.some(words, random.whole(1, 3));
    if (i % 5 === 0 && query[0].length > 4) query[0] = query[0].slice(0, 2) + query[0].slice(3);
    return query.join(" ");
  });
}
