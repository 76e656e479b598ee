import type { Sketch } from "../product";
import { Random } from "../random";
import { BRANDS, monthsBetween, type Namer, span } from "../words/names";
import { priceIn, tidy } from "./plants";

interface Bulb {
  name: string;
  plural: string;
  botanical: string;
  category: "Spring bulbs" | "Summer bulbs" | "Autumn bulbs";
  drawing: string;
  colours: string[];
  plant: [number, number];
  flowers: [number, number];
  height: [number, number];
  price: [number, number];
  count: number;
  lines: [string, string];
  tags: string[];
}

const b = (name: string, plural: string, botanical: string, category: Bulb["category"], drawing: string, colours: string, plant: [number, number], flowers: [number, number], height: [number, number], price: [number, number], count: number, lines: [string, string], tags = ""): Bulb => ({
  name, plural, botanical, category, drawing, colours: colours.split("+"), plant, flowers, height, price, count, lines, tags: tags.split(" ").filter(Boolean).map((tag) => tag.replace(/_/g, " ")),
});

const BULBS: Bulb[] = [
  b("Tulip", "tulips", "Tulipa", "Spring bulbs", "tulip", "Claret+Crimson+Pink+White+Apricot+Black+Primrose+Coral+Violet", [10, 12], [4, 5], [30, 65], [3.5, 7], 34, ["Tulips bring the colour that April has been waiting for, each on one straight stem.", "Plant them deep and late, in the border or shoulder to shoulder in a pot."], "cut_flower container"),
  b("Daffodil", "daffodils", "Narcissus", "Spring bulbs", "daffodil", "Yellow+White+Primrose+Apricot", [9, 11], [2, 4], [20, 45], [3, 6], 18, ["Daffodils come back in greater number every year, in grass as well as in beds.", "Let the leaves die down by themselves and you will never have to buy them twice."], "naturalising cut_flower"),
  b("Crocus", "crocuses", "Crocus", "Spring bulbs", "crocus", "Purple+Yellow+White+Lilac", [9, 11], [2, 3], [8, 12], [2.5, 4.5], 10, ["Crocuses open flat on the first warm day, when the bees need them most.", "Throw a handful on the lawn and plant them where they fall."], "bees naturalising"),
  b("Snowdrop", "snowdrops", "Galanthus", "Spring bulbs", "snowdrop", "White", [9, 11], [1, 3], [10, 18], [3.5, 6.5], 7, ["Snowdrops push through frozen leaves and say that it will not last.", "They increase under shrubs and trees, where the soil stays moist."], "woodland naturalising winter_interest"),
  b("Allium", "alliums", "Allium", "Spring bulbs", "allium", "Purple+Lilac+White+Claret", [9, 11], [5, 7], [60, 120], [3.5, 8], 12, ["Alliums hold their globes above the border like a firework that has stopped in mid-air.", "The seed heads stand all summer and look well sprayed with dew."], "bees cut_flower"),
  b("Hyacinth", "hyacinths", "Hyacinthus orientalis", "Spring bulbs", "hyacinth", "Blue+Pink+White+Plum+Apricot", [9, 11], [3, 4], [20, 30], [3.5, 6], 10, ["One hyacinth scents a hall, and three the whole house.", "Grow them in bowls for the new year, and plant them out afterwards."], "scented container"),
  b("Grape hyacinth", "grape hyacinths", "Muscari", "Spring bulbs", "hyacinth", "Cobalt+White+Powder blue", [9, 11], [3, 5], [12, 20], [2.5, 4.5], 6, ["Grape hyacinths make small blue rivers under trees and along paths.", "They look after themselves and ask only not to be dug up."], "bees naturalising"),
  b("Fritillary", "fritillaries", "Fritillaria", "Spring bulbs", "nodding", "Plum+White+Orange", [9, 10], [4, 5], [25, 90], [4, 9], 6, ["Fritillaries hang their chequered bells in damp grass, as if someone had drawn them.", "Plant them as soon as they come; the bulbs dry out easily."], "naturalising woodland"),
  b("Dahlia", "dahlias", "Dahlia", "Summer bulbs", "dahlia", "Claret+Coral+Pink+White+Orange+Plum+Apricot+Scarlet+Primrose", [3, 5], [7, 10], [50, 120], [4, 8], 28, ["Dahlias start when everything else is tiring and do not stop until the frost.", "Cut them by the bucket: it only makes them flower more."], "cut_flower frost-tender"),
  b("Lily", "lilies", "Lilium", "Summer bulbs", "lily", "White+Pink+Orange+Claret+Gold", [10, 4], [6, 8], [70, 140], [4.5, 8.5], 14, ["Lilies open one great trumpet after another and scent the evening.", "Three in a deep pot by the door are enough for the whole house."], "scented cut_flower container"),
  b("Gladiolus", "gladioli", "Gladiolus", "Summer bulbs", "spires", "Scarlet+White+Lime+Violet+Coral", [3, 5], [7, 9], [70, 120], [3.5, 6], 10, ["Gladioli stand like candles in the late border and last for a fortnight in water.", "Plant a few every second week for flowers from July to September."], "cut_flower frost-tender"),
  b("Begonia tuber", "begonias", "Begonia", "Summer bulbs", "rose", "Orange+Scarlet+White+Pink", [2, 4], [6, 10], [20, 35], [3.5, 6], 6, ["Begonia tubers fill shady pots with flowers as big as a fist.", "Start them indoors, hollow side up."], "container frost-tender"),
  b("Iris", "irises", "Iris germanica", "Summer bulbs", "iris", "Violet+Bronze+Powder blue+Primrose+White", [7, 10], [5, 6], [60, 100], [5, 9], 12, ["Irises wear beards of gold on falls of silk, for two weeks that one waits for all year.", "Plant the rhizome so that the sun can bake it."], "drought_tolerant cut_flower"),
  b("Autumn crocus", "autumn crocuses", "Colchicum", "Autumn bulbs", "crocus", "Lilac+Pink+White", [7, 9], [9, 10], [12, 20], [5, 9], 6, ["Autumn crocuses rise without a leaf when the summer is already packing.", "Plant them in August and they flower within weeks, even on a windowsill."], "naturalising"),
  b("Hardy cyclamen", "cyclamen", "Cyclamen hederifolium", "Autumn bulbs", "nodding", "Pink+White+Magenta", [7, 10], [9, 11], [8, 14], [5, 9], 6, ["Hardy cyclamen flower under trees in dry shade, where nothing else wants to live.", "The marbled leaves follow, and stay green until May."], "woodland naturalising winter_interest"),
  b("Nerine", "nerines", "Nerine bowdenii", "Autumn bulbs", "lily", "Pink+White+Magenta", [3, 8], [9, 11], [40, 55], [5, 8.5], 5, ["Nerines are the pink of sugared almonds, at the foot of a warm wall in October.", "Leave them crowded: they flower best when they touch."], "cut_flower"),
];

const PACKS = [5, 10, 25, 50];

/** Bulbs, corms and tubers in packs. */
export function bulbs(random: Random, namer: Namer): Sketch[] {
  return BULBS.flatMap((bulb) =>
    Array.from({ length: Random.stocked(bulb.count) }, (_, i): Sketch => {
      const colour = bulb.colours[i % bulb.colours.length];
      const height = Math.round(random.whole(bulb.height[0], bulb.height[1]) / 5) * 5 || 5;
      const price = priceIn(bulb.price, random);
      const cultivar = namer.cultivar();
      const isSpring = bulb.category === "Spring bulbs";
      const sizes = isSpring ? PACKS : [1, 3, 5];
      return {
        kind: bulb.name,
        title: `${bulb.name} ${cultivar}`,
        botanicalName: bulb.botanical,
        brand: random.pick(BRANDS.plants),
        category: ["Bulbs", bulb.category],
        tags: bulb.tags,
        description: `${bulb.lines[0]} ${cultivar} is ${colour.toLowerCase()} and grows ${height} cm tall. Plant ${span(...bulb.plant)}, for flowers ${span(...bulb.flowers)}. ${bulb.lines[1]}`,
        flowerColour: [colour],
        flowering: monthsBetween(...bulb.flowers),
        sowing: monthsBetween(...bulb.plant),
        height: `${height} cm`,
        light: ["Full sun", ...(bulb.tags.includes("woodland") ? ["Part shade"] : [])],
        scented: bulb.tags.includes("scented"),
        goodForBees: bulb.tags.includes("bees"),
        hardyTo: `${bulb.tags.includes("frost-tender") ? -2 : -20} °C`,
        price,
        drawing: bulb.drawing,
        tints: [colour],
        appeal: 0.6 + random.next() * 1.2,
        variants: sizes.slice(0, random.whole(2, sizes.length)).map((count) => ({ size: count === 1 ? "1 tuber" : `Pack of ${count}`, price: tidy(price * (count / sizes[0]) ** 0.85) })),
      };
    }),
  );
}
