import type { Sketch } from "../product";
import { Random } from "../random";
import { BRANDS, monthsBetween, type Namer, span } from "../words/names";
import { lowerFirst, priceIn } from "./plants";

interface SeedKind {
  name: string;
  /** What other growers call it; one brand prints only this. */
  alias?: string;
  botanical: string;
  drawing: string;
  colours: string[];
  sow: [number, number];
  /** Months of harvest, or of flower. */
  season: [number, number];
  height: number;
  /** Fewest and most seeds in a packet. */
  seeds: [number, number];
  count: number;
  lines: [string, string];
  tags: string[];
}

const s = (name: string, botanical: string, drawing: string, colours: string, sow: [number, number], season: [number, number], height: number, seeds: [number, number], count: number, lines: [string, string], tags = ""): SeedKind => {
  const [own, alias] = name.split("/");
  return { name: own, alias, botanical, drawing, colours: colours.split("+"), sow, season, height, seeds, count, lines, tags: tags.split(" ").filter(Boolean).map((tag) => tag.replace(/_/g, " ")) };
};

export const VEGETABLES: SeedKind[] = [
  s("Aubergine/Eggplant", "Solanum melongena", "aubergine", "Plum+Black+White+Violet", [2, 4], [7, 10], 70, [15, 40], 9, ["Heavy, glossy fruit for the greenhouse or the warmest corner of the terrace.", "Roast it whole over a flame, or slice it for the pan."], "greenhouse container"),
  s("Courgette/Zucchini", "Cucurbita pepo", "courgette", "Green+Gold+Lime", [4, 6], [7, 10], 60, [8, 20], 10, ["Two plants feed a family, and their neighbours too.", "Pick while the flower is still on the end, and the fruit will be tender and sweet."], "container easy"),
  s("Tomato", "Solanum lycopersicum", "tomato", "Scarlet+Gold+Crimson+Orange+Plum", [2, 4], [7, 10], 160, [10, 40], 22, ["A tomato with the taste that shops have forgotten, thin skinned and sweet with a little bite.", "Grow it up a string in the greenhouse or against a sunny fence."], "greenhouse container"),
  s("Chilli pepper", "Capsicum annuum", "chilli", "Scarlet+Orange+Gold+Green", [1, 4], [7, 10], 60, [10, 25], 10, ["Shiny little pods on a bushy plant that is as pretty as it is useful.", "The heat comes slowly and stays; dry what you cannot eat on a thread."], "greenhouse container"),
  s("Sweet pepper/Bell pepper", "Capsicum annuum", "pepper", "Scarlet+Gold+Green+Orange", [2, 4], [7, 10], 70, [10, 25], 7, ["Thick walled, crisp and sweet, and sweeter still if you leave it to colour.", "It does best in a pot of 30 cm under glass."], "greenhouse container"),
  s("Cucumber", "Cucumis sativus", "courgette", "Green", [3, 5], [6, 9], 180, [5, 15], 7, ["Crisp, mild fruit without bitterness, and one every other day from June.", "Let it climb: the fruit hangs straight and stays clean."], "greenhouse"),
  s("Pumpkin", "Cucurbita maxima", "pumpkin", "Orange+Slate+Gold", [4, 6], [9, 11], 50, [6, 15], 8, ["A broad plant with fruit that colours up in time for the lanterns.", "The flesh is dense and nutty and keeps in a cool room until spring."], "easy children"),
  s("Squash", "Cucurbita moschata", "pumpkin", "Sand+Orange+Green", [4, 6], [9, 11], 50, [6, 15], 6, ["Sweet, silky flesh for soup, risotto and roasting.", "Cure the fruit in the sun for a week and it will see you through the winter."]),
  s("Runner bean", "Phaseolus coccineus", "beans", "Scarlet+White+Pink", [4, 7], [7, 10], 240, [20, 60], 8, ["Runner beans are as handsome as any climber, with flowers that hum all July.", "Pick them young and often, and they will not stop until October."], "bees easy"),
  s("French bean", "Phaseolus vulgaris", "beans", "Green+Plum+Gold", [4, 7], [7, 10], 45, [40, 120], 8, ["Slim, stringless pods on plants that need no poles.", "Sow a row every three weeks for a steady supply."], "easy"),
  s("Broad bean/Fava bean", "Vicia faba", "beans", "Green+White+Claret", [10, 4], [5, 8], 100, [30, 70], 7, ["The first beans of the year, sweet enough to eat from the pod.", "Sow in autumn for the earliest crop, or in spring for the surest."], "bees"),
  s("Pea", "Pisum sativum", "beans", "Green+Plum", [3, 6], [6, 8], 90, [100, 300], 9, ["Fresh peas never reach the kitchen: they are eaten on the way.", "Give them twigs to climb and pick from the bottom up."], "easy children"),
  s("Mangetout/Snow pea", "Pisum sativum", "beans", "Green+Plum+Gold", [3, 6], [6, 8], 120, [80, 200], 5, ["Flat, crisp pods to eat whole, raw or turned once in a hot pan.", "They crop for a month if you keep picking."], "easy"),
  s("Carrot", "Daucus carota", "carrot", "Orange+Gold+Plum+Cream", [3, 7], [6, 11], 30, [300, 800], 9, ["Sweet, crunchy roots with small cores, for pulling young or keeping in sand.", "Sow thinly in fine soil, and cover against fly."], "container"),
  s("Beetroot/Beet", "Beta vulgaris", "beetroot", "Claret+Gold+Pink", [3, 7], [6, 11], 35, [100, 300], 7, ["Even, smooth roots that never turn woody, with leaves that go in the pan as well.", "Bake them in foil and peel them after."], "easy"),
  s("Radish", "Raphanus sativus", "beetroot", "Pink+Scarlet+White", [2, 9], [4, 10], 20, [200, 500], 7, ["From seed to plate in four weeks: the quickest thing in the garden.", "Sow a pinch between slower rows and pull as you need them."], "easy children container"),
  s("Swede/Rutabaga", "Brassica napus", "beetroot", "Plum+Gold", [4, 6], [10, 2], 40, [200, 400], 4, ["A sweet, golden root that stands in the ground through frost and snow.", "Mash it with butter and more pepper than you think."]),
  s("Parsnip", "Pastinaca sativa", "carrot", "Cream", [2, 5], [10, 3], 40, [150, 400], 5, ["Long, white roots that taste of honey after the first hard frost.", "They are slow to come up, so mark the row with radish."]),
  s("Onion", "Allium cepa", "onion", "Gold+Claret+White", [1, 4], [8, 9], 45, [150, 400], 7, ["Firm, round bulbs that dry to a good skin and keep until April.", "Sow early under glass, or straight into the bed in March."]),
  s("Spring onion/Scallion", "Allium fistulosum", "leek", "White+Claret", [3, 8], [5, 10], 30, [200, 500], 6, ["Mild and crisp, ready in eight weeks and happy in a window box.", "Sow little and often for a bunch whenever you want one."], "easy container"),
  s("Leek", "Allium porrum", "leek", "White+Slate", [3, 5], [9, 3], 50, [150, 400], 6, ["Long, white shanks that stand all winter and are dug when the pot is on.", "Drop the seedlings into deep holes and let the rain fill them in."]),
  s("Lettuce", "Lactuca sativa", "lettuce", "Green+Lime+Claret", [3, 8], [5, 10], 20, [300, 1000], 12, ["Soft, buttery hearts with a crisp middle, slow to bolt even in July.", "Cut it whole, or take the outer leaves and let it grow on."], "easy container"),
  s("Rocket/Arugula", "Eruca vesicaria", "lettuce", "Green", [3, 9], [5, 11], 25, [250, 700], 6, ["Peppery leaves for a salad with some life in it, ready in a month.", "It grows best in the cool of spring and autumn."], "easy container"),
  s("Spinach", "Spinacia oleracea", "lettuce", "Green", [3, 9], [5, 11], 25, [200, 500], 5, ["Thick, dark leaves for the pan, and small ones for salad.", "It likes a cool, moist place and does not mind some shade."]),
  s("Swiss chard", "Beta vulgaris", "chard", "Scarlet+Gold+White+Pink", [4, 8], [6, 3], 50, [80, 200], 6, ["Stems like stained glass, good enough for the flower border.", "Cook the leaf and the rib apart; they are two vegetables."], "easy container"),
  s("Kale", "Brassica oleracea", "chard", "Sage+Plum+Green", [4, 7], [9, 4], 70, [100, 300], 6, ["The hardiest green of all, and the sweeter for every frost.", "Strip the leaves from below and it keeps growing upward."]),
  s("Cabbage", "Brassica oleracea", "lettuce", "Green+Plum+Sage", [2, 7], [6, 3], 40, [100, 300], 7, ["Tight, heavy heads that stand for weeks without splitting.", "Net it from the day you plant it: pigeons know what is good."]),
  s("Broccoli", "Brassica oleracea", "broccoli", "Green+Plum", [3, 6], [7, 4], 70, [80, 200], 5, ["Cut the main head and side shoots follow for weeks.", "Steam it for three minutes and no more."]),
  s("Cauliflower", "Brassica oleracea", "broccoli", "Cream+Plum+Lime", [2, 6], [7, 11], 50, [50, 150], 4, ["Solid, even curds, well wrapped in their own leaves.", "Never let it go thirsty, and it will not let you down."]),
  s("Sweetcorn/Corn", "Zea mays", "corn", "Gold+Cream", [4, 6], [8, 10], 170, [20, 50], 5, ["Cobs so sweet that the water should boil before you pick them.", "Sow in a block, not a row, so that the wind can do its work."]),
];

export const HERB_SEEDS: SeedKind[] = [
  s("Basil", "Ocimum basilicum", "lettuce", "Green+Plum+Lime", [3, 7], [6, 9], 35, [200, 500], 7, ["Big, soft, fragrant leaves for the windowsill and the tomato bed.", "Pinch the tips and it branches instead of flowering."], "container scented"),
  s("Coriander/Cilantro", "Coriandrum sativum", "lettuce", "Green", [3, 8], [5, 10], 40, [100, 300], 7, ["A slow-bolting kind that goes on giving leaf for weeks.", "Sow it where it is to grow; it hates to be moved."], "container scented"),
  s("Parsley", "Petroselinum crispum", "lettuce", "Green", [3, 7], [6, 3], 30, [300, 800], 5, ["Deep green and full of flavour, in pots, edges or rows.", "Soak the seed overnight, and be patient."], "container"),
  s("Dill", "Anethum graveolens", "fennel", "Gold+Lime", [4, 7], [6, 9], 80, [200, 600], 4, ["Feathery leaves for fish and cucumber, and golden plates of flower for the hoverflies.", "Let some stand for seed."], "scented bees"),
  s("Chives", "Allium schoenoprasum", "allium", "Lilac+White", [3, 6], [5, 10], 30, [200, 500], 4, ["Neat tufts of hollow leaves with a mild taste of onion, and flowers for the salad bowl.", "A clump lives for ever if you divide it now and then."], "bees container"),
  s("Fennel", "Foeniculum vulgare", "fennel", "Gold+Bronze", [4, 7], [7, 10], 120, [100, 300], 4, ["A cloud of fine leaves that tastes of aniseed, tall at the back of any border.", "Bees, wasps and hoverflies all come to the flowers."], "bees scented"),
  s("Chamomile", "Matricaria chamomilla", "daisy", "White", [3, 9], [6, 9], 45, [500, 2000], 3, ["Little white daisies that smell of apples and make the tea that mends a day.", "Pick the heads when they are dry and lay them in the shade."], "scented bees"),
  s("Borage", "Borago officinalis", "stars", "Blue+White", [3, 7], [6, 10], 60, [40, 120], 3, ["Sky blue stars that bees cannot leave alone; float them in a drink.", "Sow it once and you will have it always."], "bees easy"),
];

export const FLOWER_SEEDS: SeedKind[] = [
  s("Sweet pea", "Lathyrus odoratus", "sweetpea", "Lilac+Pink+White+Claret+Coral+Navy", [10, 4], [6, 9], 180, [15, 40], 16, ["Ruffled and deeply scented, on long stems made for a jug.", "The more you pick, the more there are."], "scented cut_flower"),
  s("Sunflower", "Helianthus annuus", "sunflower", "Gold+Amber+Copper+Lemon", [4, 6], [7, 10], 160, [15, 50], 9, ["Great friendly faces that turn to follow the sun.", "Leave the heads for the finches when the flowers are done."], "bees children easy cut_flower"),
  s("Cosmos", "Cosmos bipinnatus", "daisy", "Pink+White+Magenta+Claret", [3, 6], [6, 11], 100, [40, 120], 9, ["Silky saucers above foliage as fine as dill, from June until the frost.", "Nothing gives more flowers for the vase in return for a packet of seed."], "bees cut_flower easy"),
  s("Nasturtium", "Tropaeolum majus", "stars", "Orange+Scarlet+Cream+Gold", [4, 6], [6, 10], 35, [20, 60], 7, ["Round leaves, hot flowers, no trouble: the seed that children should sow first.", "Flowers and leaves are good to eat, peppery and bright."], "edible children easy container"),
  s("Marigold", "Calendula officinalis", "daisy", "Orange+Apricot+Gold", [3, 9], [5, 10], 45, [80, 200], 7, ["Pot marigolds glow from spring to autumn and keep pests off the vegetables.", "Scatter the petals over rice and salad."], "bees edible easy"),
  s("Cornflower", "Centaurea cyanus", "daisy", "Cobalt+White+Plum+Pink", [3, 10], [5, 9], 75, [200, 500], 6, ["The blue of old hay meadows, on wiry stems that stand in the wind.", "Sow in autumn for flowers in May."], "bees cut_flower easy"),
  s("Poppy", "Papaver rhoeas", "poppy", "Scarlet+Pink+Blush+White+Coral", [3, 10], [6, 8], 60, [1000, 3000], 8, ["Petals like crumpled tissue that open for a day, and a hundred more tomorrow.", "Scatter the seed where it is to flower and rake it in."], "bees easy"),
  s("Love-in-a-mist", "Nigella damascena", "stars", "Blue+White+Violet", [3, 9], [6, 8], 45, [300, 800], 5, ["Starry flowers in a ruff of green thread, then seed pods as striped balloons.", "Dry the pods for the winter."], "cut_flower easy"),
  s("Zinnia", "Zinnia elegans", "daisy", "Scarlet+Lime+Magenta+Orange+Coral", [4, 6], [7, 10], 70, [40, 120], 8, ["Straight stems, neat layers of petal and colours from a paint box.", "Sow them warm and late, and they catch up with everything."], "cut_flower"),
  s("Snapdragon", "Antirrhinum majus", "spires", "Pink+Crimson+Primrose+White+Apricot", [1, 5], [6, 10], 60, [300, 1000], 6, ["Children press the sides to make them talk; bumblebees push in at the front.", "Cut the first spike and four more come."], "bees cut_flower"),
  s("Hollyhock", "Alcea rosea", "spires", "Claret+Pink+Primrose+White+Black", [4, 8], [7, 9], 200, [25, 80], 6, ["Hollyhocks make a cottage of any house they lean against.", "They flower in their second summer and seed themselves along the wall."], "bees cottage_garden"),
  s("Foxglove seed", "Digitalis purpurea", "spires", "Pink+White+Apricot", [4, 8], [5, 7], 140, [500, 2000], 4, ["Spires of freckled bells for the edge of shade, in the second summer after sowing.", "The seed is like dust: sow on the surface and let the light in."], "bees woodland"),
  s("English lavender seed", "Lavandula angustifolia", "spikes", "Purple+Violet+White", [2, 6], [6, 9], 45, [100, 250], 3, ["Raise a whole hedge of lavender for the price of one plant.", "Chill the seed for three weeks first, and it comes up evenly."], "scented bees"),
  s("Wildflower mix", "Mixed species", "meadow", "Scarlet+Cobalt+Gold+White", [3, 10], [5, 9], 60, [2000, 9000], 8, ["A meadow in a packet: annuals for this year and perennials for those to come.", "Sow on bare, poor ground and cut once, in September."], "bees wildlife native easy"),
  s("Green manure", "Mixed species", "meadow", "Green+Claret+Blue", [3, 10], [5, 11], 50, [1500, 6000], 4, ["Sow it on any bed that would otherwise stand empty, and dig it in before it seeds.", "It feeds the soil, keeps weeds down and holds what the rain would wash away."], "easy"),
];

/** Packets of seed of one department. */
export function seeds(kinds: readonly SeedKind[], category: string, random: Random, namer: Namer): Sketch[] {
  return kinds.flatMap((kind) => Array.from({ length: Random.stocked(kind.count) }, (_, i) => packet(kind, i, category, random, namer)));
}

function packet(kind: SeedKind, i: number, category: string, random: Random, namer: Namer): Sketch {
  const brand = random.pick(BRANDS.seeds);
  // Fernhollow prints the words of its own growers; its texts never use the others.
  const isForeign = brand === "Fernhollow" && kind.alias !== undefined;
  const name = isForeign && kind.alias ? kind.alias : kind.name;
  const colour = kind.colours[i % kind.colours.length];
  const cultivar = namer.cultivar();
  const seedCount = Math.round(random.whole(kind.seeds[0], kind.seeds[1]) / 5) * 5;
  const isFlower = category === "Flower seeds" || category === "Wildflower and meadow";
  const noun = / seed$|mix$|manure$/.test(name) ? name : `${name} seeds`;
  const yields = isFlower ? `It flowers ${span(...kind.season)}` : `You will be picking ${span(...kind.season)}`;
  const shade = kind.colours.length > 1 ? ` ${isFlower ? "The flowers are" : "This one is"} ${colour.toLowerCase()}.` : "";
  const place = category === "Wildflower and meadow" ? "Sow it in the open" : kind.sow[0] <= 2 && kind.tags.includes("greenhouse") ? "Sow under glass" : "Sow";
  return {
    kind: kind.name,
    title: i % 6 === 5 ? `${cultivar} ${lowerFirst(noun)}` : `${noun} ${cultivar}`,
    botanicalName: kind.botanical === "Mixed species" ? undefined : kind.botanical,
    brand,
    category: ["Seeds", category],
    tags: [...kind.tags, ...(isFlower ? [] : ["grow your own"])],
    description: `${kind.lines[0]}${shade} ${place} ${span(...kind.sow)}. ${yields}, on plants of about ${kind.height} cm. ${kind.lines[1]} There are about ${seedCount} seeds in the packet.`,
    ...(isFlower ? { flowerColour: [colour], flowering: monthsBetween(...kind.season) } : { harvest: monthsBetween(...kind.season) }),
    sowing: monthsBetween(...kind.sow),
    height: `${kind.height} cm`,
    light: ["Full sun"],
    goodForBees: kind.tags.includes("bees"),
    seedCount,
    price: priceIn([1.8, 4.2], random),
    drawing: `packet:${kind.drawing}`,
    tints: [colour],
    appeal: 0.5 + random.next(),
  };
}
