/** Plants the shop grows: what is true of each kind, from which its products are made. */
export interface Genus {
  name: string;
  botanical: string;
  category: [string, string];
  drawing: string;
  colours: string[];
  /** Height in cm, least and most. */
  height: [number, number];
  /** First and last month of flower, 0 for plants grown for their leaves. */
  flowers: [number, number];
  light: string[];
  soil: string[];
  hardyTo: number;
  scented?: boolean;
  bees?: boolean;
  evergreen?: boolean;
  tags: string[];
  /** What it is and is good for: whole sentences. */
  about: [string, string];
  care: string;
  price: [number, number];
  count: number;
  /** Some titles use the botanical name alone, as some suppliers send them. */
  botanicalTitles?: number;
}

const g = (
  name: string, botanical: string, category: string, drawing: string, colours: string, height: [number, number], flowers: [number, number], place: string, hardyTo: number, flags: string,
  price: [number, number], count: number, about: [string, string], care: string,
): Genus => {
  const [light, soil] = place.split("/").map((part) => part.split("+"));
  const [parent, child] = category.split(">");
  const marks = flags.split(" ").filter(Boolean);
  return {
    name, botanical, category: [parent, child], drawing, colours: colours.split("+"), height, flowers, light, soil, hardyTo, price, count, about, care,
    scented: marks.includes("scented"), bees: marks.includes("bees"), evergreen: marks.includes("evergreen"),
    tags: marks.filter((mark) => !["scented", "bees", "evergreen"].includes(mark)).map((mark) => mark.replace(/_/g, " ")),
  };
};

export const GENERA: Genus[] = [
  g("English lavender", "Lavandula angustifolia", "Plants>Perennials", "spikes", "Purple+Violet+Lilac+White+Pink", [30, 70], [6, 8], "Full sun/Sandy+Chalk+Well drained", -15, "scented bees evergreen cottage_garden drought_tolerant", [5.5, 9], 22,
    ["English lavender makes a low, silvery bush that smells as good in winter as in flower.", "Plant it along a path where you brush past it, or clip it into a soft edge for roses."], "Trim it lightly after flowering and never cut into the bare wood."),
  g("French lavender", "Lavandula stoechas", "Plants>Perennials", "spikes", "Purple+Magenta+Pink+White", [40, 60], [5, 8], "Full sun/Sandy+Well drained", -5, "scented bees evergreen drought_tolerant tender", [6.5, 9.5], 10,
    ["French lavender wears a tuft of bright bracts on every flower head, like a small flag.", "It starts earlier than the English kinds and is happiest against a warm wall or in a pot."], "Deadhead through summer and bring pots under cover before hard frost."),
  g("Catmint", "Nepeta", "Plants>Perennials", "spikes", "Blue+Lilac+White", [40, 80], [5, 9], "Full sun+Part shade/Well drained+Loam", -20, "scented bees cottage_garden", [5, 8], 8,
    ["Catmint spills over the front of a border in a cloud of small flowers for months on end.", "Cats roll in it, bees work it from dawn, and it hides the bare legs of roses."], "Cut the whole plant back by half in July and it flowers again."),
  g("Hardy geranium", "Geranium", "Plants>Perennials", "daisy", "Blue+Pink+Magenta+White+Violet", [25, 60], [5, 9], "Full sun+Part shade+Shade/Loam+Clay", -20, "bees ground_cover cottage_garden", [5, 8.5], 16,
    ["Hardy geraniums are the plants that knit a border together and ask for nothing.", "They grow under shrubs, between roses and in the gaps where weeds would otherwise be."], "Shear off leaves and flowers after the first flush for a fresh mound."),
  g("Salvia", "Salvia nemorosa", "Plants>Perennials", "spikes", "Violet+Blue+Pink+Indigo", [40, 70], [6, 10], "Full sun/Well drained+Loam", -15, "bees drought_tolerant", [5.5, 8.5], 14,
    ["This salvia sends up slim, upright spikes that stand through wind and heat.", "It is one of the best plants there is for bumblebees, and looks well with grasses."], "Remove spent spikes to keep new ones coming until October."),
  g("Coneflower", "Echinacea", "Plants>Perennials", "daisy", "Pink+Orange+White+Magenta+Coral", [60, 110], [7, 9], "Full sun/Loam+Well drained", -20, "bees prairie cut_flower", [6, 10], 14,
    ["Coneflowers carry broad daisies around a cone like a hedgehog, on stems that need no stake.", "Butterflies come for the flowers and goldfinches for the seed."], "Leave the heads standing over winter and cut down in March."),
  g("Black-eyed Susan", "Rudbeckia", "Plants>Perennials", "daisy", "Yellow+Gold+Amber", [50, 90], [7, 10], "Full sun+Part shade/Loam+Clay", -20, "bees prairie cut_flower", [5, 8], 8,
    ["Black-eyed Susan lights up the end of summer with golden daisies and dark centres.", "Mass it with grasses, or cut it by the armful: it lasts ten days in water."], "Divide clumps every third spring to keep them strong."),
  g("Delphinium", "Delphinium elatum", "Plants>Perennials", "spires", "Blue+Cobalt+White+Lilac+Powder blue", [120, 180], [6, 7], "Full sun/Loam", -20, "bees cottage_garden cut_flower", [6.5, 10], 12,
    ["Delphiniums are the steeples of the June border, and nothing else has quite their blue.", "Plant them at the back in rich soil, out of the wind."], "Stake early, guard against slugs, and cut to the ground after flowering."),
  g("Foxglove", "Digitalis", "Plants>Perennials", "spires", "Pink+White+Apricot+Purple", [90, 150], [5, 7], "Part shade+Shade/Loam+Clay", -20, "bees woodland cottage_garden", [4.5, 7.5], 12,
    ["Foxgloves raise their spires of freckled bells where light falls between trees.", "They seed themselves gently about and never look out of place."], "Let a few set seed before you pull the old plants."),
  g("Hosta", "Hosta", "Plants>Perennials", "leaves", "Green+Lime+Sage", [25, 80], [7, 8], "Part shade+Shade/Loam+Clay", -25, "foliage woodland", [6, 12], 14,
    ["Hostas are grown for their great quilted leaves, which turn a dark corner cool and calm.", "They live for decades in the ground and make splendid plants for a shady pot."], "Water in the morning, and set a barrier against slugs."),
  g("Peony", "Paeonia lactiflora", "Plants>Perennials", "rose", "Pink+White+Crimson+Blush+Coral", [70, 100], [5, 6], "Full sun/Loam+Clay", -25, "scented cut_flower cottage_garden", [11, 18], 12,
    ["A peony opens bowls of silk in early summer and comes back better every year for a lifetime.", "Bring it indoors in bud and it fills a room with scent."], "Plant with the buds no more than 3 cm deep, or it will not flower."),
  g("Sedum", "Hylotelephium", "Plants>Perennials", "umbels", "Pink+Claret+White+Copper", [30, 60], [8, 10], "Full sun/Well drained+Sandy", -20, "bees drought_tolerant", [5, 8], 8,
    ["Sedum fills the gap between summer and autumn with flat heads that hum with bees.", "The fleshy leaves shrug off drought, and the seed heads look handsome under frost."], "Give it poor soil; on rich ground it falls open."),
  g("Astrantia", "Astrantia major", "Plants>Perennials", "umbels", "Claret+White+Blush+Pink", [50, 80], [6, 9], "Part shade/Loam+Clay", -20, "bees cottage_garden cut_flower", [6, 9], 8,
    ["Astrantia has flowers like tiny pincushions, each set in a papery ruff.", "It threads between bolder neighbours and lasts two weeks in a jug."], "Keep it moist in dry spells and cut back for a second show."),
  g("Penstemon", "Penstemon", "Plants>Perennials", "spires", "Claret+Pink+Scarlet+White+Purple", [50, 90], [6, 10], "Full sun+Part shade/Well drained+Loam", -10, "bees cottage_garden", [5.5, 8.5], 12,
    ["Penstemons ring with bells from June until the first real frost.", "Few plants give colour for so long in return for so little."], "Leave the top growth on as a winter coat and cut back in April."),
  g("Hellebore", "Helleborus", "Plants>Perennials", "nodding", "White+Plum+Primrose+Pink+Slate", [30, 50], [1, 4], "Part shade+Shade/Loam+Clay+Chalk", -20, "evergreen bees woodland winter_interest", [8, 14], 12,
    ["Hellebores flower when nothing else will, in the first weeks of the year.", "Plant them on a bank, where you can look up into the freckled cups."], "Remove the old leaves in December so that the flowers are seen."),
  g("Climbing rose", "Rosa", "Plants>Roses", "climber", "Claret+Pink+White+Apricot+Cream+Crimson", [250, 400], [6, 10], "Full sun+Part shade/Loam+Clay", -20, "scented cottage_garden", [17, 26], 20,
    ["This rose climbs a wall or an arch and flowers along every stem that is tied sideways.", "It gives its main show in June and goes on in flushes until the frost."], "Tie new shoots in as they come, and prune in February."),
  g("Shrub rose", "Rosa", "Plants>Roses", "rose", "Pink+Blush+Apricot+White+Crimson+Primrose+Coral", [90, 140], [6, 10], "Full sun/Loam+Clay", -20, "scented cut_flower cottage_garden", [15, 24], 30,
    ["A shrub rose with full, old-fashioned flowers on a strong, rounded bush.", "It fits into a mixed border as well as a bed of its own, and repeats until autumn."], "Feed in March and July, and deadhead to a strong leaf."),
  g("Patio rose", "Rosa", "Plants>Roses", "rose", "Scarlet+Pink+Apricot+White+Coral", [40, 60], [6, 10], "Full sun/Loam", -15, "container cut_flower", [12, 17], 12,
    ["This small rose was bred for pots, with neat leaves and clusters down to the rim.", "Stand it by the door, where the evening sun finds it."], "Water well in summer and feed every other week."),
  g("Rambling rose", "Rosa", "Plants>Roses", "climber", "White+Blush+Primrose+Pink", [400, 700], [6, 7], "Full sun+Part shade/Loam+Clay", -20, "scented bees wildlife", [18, 26], 8,
    ["A rambling rose throws itself into an old tree and covers it with small, scented flowers in June.", "The hips that follow feed thrushes until Christmas."], "Give it room, and cut out one old stem in three after flowering."),
  g("Hydrangea", "Hydrangea macrophylla", "Plants>Shrubs", "mophead", "Blue+Pink+White+Violet+Powder blue", [90, 150], [7, 9], "Part shade/Loam+Acid", -15, "cottage_garden cut_flower", [14, 24], 20,
    ["Hydrangeas hold their great domes of flower from July until they fade to parchment.", "The blue kinds stay blue on acid soil; on chalk they turn to pink."], "Leave the old heads on until spring, then cut to the first fat buds."),
  g("Panicle hydrangea", "Hydrangea paniculata", "Plants>Shrubs", "mophead", "White+Lime+Blush", [120, 200], [7, 9], "Full sun+Part shade/Loam+Clay", -25, "cottage_garden", [15, 25], 8,
    ["The panicle hydrangea carries cones of flower that open lime, turn white and end in pink.", "It takes more sun and more frost than any other hydrangea."], "Prune hard in March for fewer and larger heads."),
  g("Fuchsia", "Fuchsia magellanica", "Plants>Shrubs", "nodding", "Magenta+Scarlet+Pink+White+Purple", [60, 150], [6, 10], "Part shade+Full sun/Loam", -10, "bees cottage_garden", [7, 13], 14,
    ["Fuchsias hang their dancers from every twig from June to the last warm day of autumn.", "The hardy kinds come back from the root even after a bitter winter."], "Plant the crown deep and cut back in spring when buds show."),
  g("Buddleia", "Buddleja davidii", "Plants>Shrubs", "spires", "Purple+White+Magenta+Lilac", [120, 250], [7, 9], "Full sun/Well drained+Chalk", -20, "scented bees butterflies wildlife", [9, 15], 8,
    ["Butterflies find a buddleia on the day it opens and stay until it is over.", "The compact kinds are happy in a large pot on a sunny terrace."], "Cut hard to knee height in March."),
  g("Camellia", "Camellia japonica", "Plants>Shrubs", "rose", "Pink+White+Crimson+Blush", [150, 250], [2, 4], "Part shade/Acid", -15, "evergreen winter_interest", [18, 32], 10,
    ["Camellias open perfect flowers above polished leaves before winter has let go.", "They need acid soil, and thrive for years in a pot of the right compost."], "Keep them out of the morning sun, which scorches frosted buds."),
  g("Mock orange", "Philadelphus", "Plants>Shrubs", "blossom", "White+Ivory", [120, 250], [6, 7], "Full sun+Part shade/Loam+Chalk", -20, "scented bees", [11, 17], 6,
    ["One mock orange in flower scents the whole garden on a June evening.", "It grows in any soil and forgives every neglect."], "Take out a third of the oldest stems as soon as it has flowered."),
  g("Hebe", "Hebe", "Plants>Shrubs", "spikes", "Violet+White+Pink+Blue", [40, 90], [6, 9], "Full sun/Well drained", -8, "evergreen bees container coastal", [7, 12], 10,
    ["Hebes are neat evergreen domes with bottlebrushes of flower all summer.", "They stand wind and salt, which makes them a favourite by the sea."], "Trim over lightly in spring to keep them dense."),
  g("Clematis", "Clematis", "Plants>Climbers", "stars", "Violet+Blue+Pink+White+Claret+Magenta+Lilac", [180, 350], [5, 9], "Full sun+Part shade/Loam+Clay", -20, "cottage_garden container", [11, 18], 26,
    ["Clematis flowers are as wide as a hand and cover the plant from top to toe.", "Send one up a rose, an obelisk or a bare fence, with its feet in the shade."], "Plant 5 cm deeper than it stood in the pot and water well in the first year."),
  g("Honeysuckle", "Lonicera periclymenum", "Plants>Climbers", "climber", "Cream+Pink+Yellow+Coral", [300, 600], [6, 9], "Full sun+Part shade/Loam+Clay", -20, "scented bees wildlife", [11, 16], 8,
    ["Honeysuckle saves its sweetest scent for dusk, when the moths come.", "It twines over an arch in two summers and feeds birds with its berries."], "Shorten after flowering and thin old tangles in winter."),
  g("Star jasmine", "Trachelospermum jasminoides", "Plants>Climbers", "climber", "White+Cream", [250, 500], [6, 8], "Full sun/Well drained+Loam", -8, "scented evergreen", [16, 28], 6,
    ["Star jasmine covers a warm wall with glossy leaves and starry, honeyed flowers.", "It keeps its green all winter and turns bronze in the cold."], "Tie it in when young; later it holds itself."),
  g("Ivy", "Hedera helix", "Plants>Climbers", "leaves", "Green+Lime+Cream", [200, 500], [0, 0], "Shade+Part shade/Loam+Clay+Chalk", -20, "evergreen wildlife foliage", [6, 11], 6,
    ["Ivy clothes the wall that gets no sun and shelters half the birds of the garden.", "Its late flowers are the last good meal of the year for bees."], "Clip in June and again in September to keep it off gutters."),
  g("Box", "Buxus sempervirens", "Plants>Hedging", "hedge", "Green", [30, 120], [0, 0], "Full sun+Part shade+Shade/Loam+Chalk", -20, "evergreen topiary formal", [4, 22], 6,
    ["Box takes the shears better than any other plant and makes the crispest low hedge.", "Plant five to the metre for an edge that closes in two years."], "Clip on a dull day in late May, and again in August."),
  g("Yew", "Taxus baccata", "Plants>Hedging", "hedge", "Green", [60, 200], [0, 0], "Full sun+Shade/Loam+Chalk", -25, "evergreen topiary formal wildlife", [8, 34], 6,
    ["Yew makes the darkest, finest hedge of all, and lives longer than the house.", "It regrows from old wood, so no mistake with the shears is final."], "Cut once a year, in August."),
  g("Beech hedging", "Fagus sylvatica", "Plants>Hedging", "hedge", "Green+Copper", [60, 150], [0, 0], "Full sun+Part shade/Loam+Chalk", -25, "formal wildlife bare_root", [3.5, 18], 6,
    ["A beech hedge is fresh green in May and keeps its coppery leaves all winter.", "Bare-root plants are cheap, and faster away than those from pots."], "Plant between November and March and firm well."),
  g("Hornbeam hedging", "Carpinus betulus", "Plants>Hedging", "hedge", "Green", [60, 150], [0, 0], "Full sun+Part shade/Clay+Loam", -25, "formal wildlife bare_root", [3.5, 17], 5,
    ["Hornbeam does on heavy clay what beech does on light soil.", "Its leaves are pleated like a fan and colour butter yellow in autumn."], "Trim in late summer to a slight slope, wider at the foot."),
  g("Cherry laurel", "Prunus laurocerasus", "Plants>Hedging", "hedge", "Green", [80, 180], [4, 5], "Full sun+Part shade+Shade/Loam+Clay", -15, "evergreen bees wildlife", [9, 28], 5,
    ["Cherry laurel is the quickest way to a thick evergreen screen.", "It grows under trees and keeps the noise of the road out."], "Cut with secateurs rather than shears, which tear the broad leaves."),
  g("Japanese maple", "Acer palmatum", "Plants>Trees", "tree", "Crimson+Orange+Lime+Claret", [120, 300], [0, 0], "Part shade/Acid+Loam", -18, "container foliage autumn_colour", [24, 60], 12,
    ["A Japanese maple is a small tree with leaves like cut paper, and the best autumn colour of all.", "It is content in a pot for many years if it is out of the wind."], "Shelter the young leaves from drying wind and late frost."),
  g("Ornamental cherry", "Prunus", "Plants>Trees", "blossomtree", "Pink+White+Blush", [200, 400], [3, 5], "Full sun/Loam+Chalk", -20, "bees wildlife", [34, 65], 8,
    ["For two weeks in spring an ornamental cherry is the loveliest thing in the street.", "It stays small enough for a front garden and colours well in October."], "Prune only in summer, when cuts heal cleanly."),
  g("Silver birch", "Betula", "Plants>Trees", "tree", "Lime+Green+Gold", [200, 400], [0, 0], "Full sun+Part shade/Sandy+Loam+Acid", -30, "wildlife winter_interest", [30, 70], 6,
    ["Silver birch casts the lightest shade of any tree, and its bark shines on winter days.", "Plant three together for a grove in a small space."], "Wash the trunks with plain water in autumn to keep them white."),
  g("Crab apple", "Malus", "Plants>Trees", "fruittree", "Scarlet+Gold+Pink", [180, 350], [4, 5], "Full sun/Loam+Clay", -25, "bees wildlife", [28, 48], 6,
    ["A crab apple gives blossom in April, jelly in September and food for blackbirds until the new year.", "It pollinates every other apple within reach."], "Take out crossing branches in winter."),
  g("Apple tree", "Malus domestica", "Plants>Fruit", "fruittree", "Scarlet+Lime+Gold+Crimson", [150, 250], [4, 5], "Full sun/Loam+Clay", -25, "edible bees wildlife", [22, 38], 16,
    ["An apple tree on a dwarfing stock bears in its third year and is picked from the ground.", "The fruit keeps in a cool shed until after Christmas."], "Stake it for life, and prune to an open cup in winter."),
  g("Pear tree", "Pyrus communis", "Plants>Fruit", "fruittree", "Gold+Sage+Lime", [150, 250], [4, 5], "Full sun/Loam", -20, "edible bees", [24, 38], 8,
    ["This pear ripens melting and sweet on a warm wall, and nearly as well in the open.", "Train it as an espalier and it takes up no more room than a picture."], "Pick while still firm and ripen indoors."),
  g("Plum tree", "Prunus domestica", "Plants>Fruit", "fruittree", "Plum+Gold+Violet", [180, 300], [4, 4], "Full sun/Loam+Clay", -20, "edible bees", [24, 36], 6,
    ["A plum tree needs little room, no partner and hardly any pruning.", "There will be jam in August of any year without late frost."], "Prop heavy branches in July before they break."),
  g("Raspberry canes", "Rubus idaeus", "Plants>Fruit", "berries", "Crimson+Gold+Claret", [120, 180], [5, 6], "Full sun+Part shade/Loam+Acid", -25, "edible bees bare_root", [9, 15], 8,
    ["Raspberry canes crop in their first full summer and for ten years after.", "Ten canes keep a family in fruit from June to September."], "Cut out the canes that have borne fruit and tie in the new."),
  g("Blueberry", "Vaccinium corymbosum", "Plants>Fruit", "berries", "Indigo+Navy+Violet", [80, 150], [4, 5], "Full sun+Part shade/Acid", -25, "edible bees container autumn_colour", [11, 17], 8,
    ["Blueberries are made for pots, since they want an acid soil that few gardens have.", "You get white bells in spring, fruit in July and scarlet leaves in autumn."], "Water with rain, not from the tap, and net against birds."),
  g("Strawberry plants", "Fragaria", "Plants>Fruit", "berries", "Scarlet+Crimson", [20, 30], [4, 6], "Full sun/Loam+Sandy", -20, "edible bees container", [3.5, 12], 10,
    ["These strawberry plants fruit within months, in a bed, a basket or a gutter.", "Eat them warm from the sun; no shop can sell you that."], "Lay straw under the fruit and replace plants every third year."),
  g("Gooseberry", "Ribes uva-crispa", "Plants>Fruit", "berries", "Lime+Claret+Gold", [90, 130], [4, 4], "Full sun+Part shade/Loam+Clay", -25, "edible bees", [9, 14], 5,
    ["Gooseberries come first of all the soft fruit, in time for the elderflower.", "Grown on a short leg they are easy to pick and to weed under."], "Thin the fruit in May and use the thinnings for sauce."),
  g("Rosemary", "Salvia rosmarinus", "Plants>Herbs", "spikes", "Blue+White+Powder blue", [40, 120], [3, 6], "Full sun/Sandy+Well drained", -10, "scented evergreen bees edible drought_tolerant", [4.5, 9], 8,
    ["Rosemary gives needles for the roast all year and flowers when bees wake in March.", "Grow it upright by the kitchen door or trailing down a wall."], "Snip often; a plant that is used stays dense."),
  g("Thyme", "Thymus", "Plants>Herbs", "umbels", "Pink+Lilac+White", [5, 30], [5, 8], "Full sun/Sandy+Well drained+Chalk", -20, "scented evergreen bees edible ground_cover drought_tolerant", [3.5, 6], 10,
    ["Thyme spreads a scented mat between paving stones and in every crack it finds.", "A handful does for a stew, and the rest is for the bees."], "Shear after flowering so that it does not turn woody."),
  g("Mint", "Mentha", "Plants>Herbs", "leaves", "Green+Lime", [30, 70], [7, 9], "Full sun+Part shade/Loam+Clay", -25, "scented bees edible", [3.5, 5.5], 10,
    ["Mint is the herb that never says no: tea, peas, potatoes, a glass in the garden.", "Keep it in a pot of its own unless you want it everywhere."], "Cut to the ground in July for fresh leaves in August."),
  g("Sage", "Salvia officinalis", "Plants>Herbs", "leaves", "Sage+Plum+Lime", [40, 70], [6, 7], "Full sun/Well drained+Sandy", -15, "scented evergreen bees edible", [3.5, 6.5], 8,
    ["Sage is soft, grey and savoury, as good to look at as to cook with.", "It holds its leaves through winter and asks only for sun."], "Replace plants when they sprawl, after four years or so."),
  g("Coriander plant", "Coriandrum sativum", "Plants>Herbs", "leaves", "Green", [30, 50], [6, 8], "Full sun+Part shade/Loam", -5, "scented bees edible", [2.8, 4], 4,
    ["A pot of coriander, grown slowly in our own glasshouse so that it does not run to seed in a week.", "Use the leaves by the handful in salads and curries, and keep the seed."], "Stand it in bright shade and keep it evenly moist."),
  g("Fern", "Dryopteris", "Plants>Ferns and grasses", "fern", "Green+Lime+Bronze", [40, 110], [0, 0], "Shade+Part shade/Loam+Clay", -20, "foliage woodland evergreen", [6, 12], 12,
    ["Ferns unroll in April like something from before there were flowers.", "They make a green pool under trees where little else will grow."], "Cut away last year's fronds before the new ones uncurl."),
  g("Feather grass", "Stipa", "Plants>Ferns and grasses", "grass", "Gold+Sand+Bronze", [50, 180], [6, 9], "Full sun/Well drained+Sandy", -15, "prairie drought_tolerant coastal", [6, 11], 10,
    ["Feather grass moves in the least wind and catches every low sun.", "Weave it between coneflowers and salvias, or set it alone where it can be seen."], "Comb out dead leaves in spring with gloved fingers."),
  g("Sedge", "Carex", "Plants>Ferns and grasses", "grass", "Bronze+Lime+Cream+Green", [20, 60], [0, 0], "Part shade+Shade+Full sun/Loam+Clay", -15, "evergreen container ground_cover", [5, 9], 8,
    ["Sedge is a fountain of fine leaves that looks the same in January as in June.", "It fills pots and edges with colour that does not depend on flowers."], "Tidy with a rake once a year."),
  g("Pelargonium", "Pelargonium", "Plants>Bedding", "mophead", "Scarlet+Pink+White+Coral+Magenta", [25, 45], [5, 10], "Full sun/Well drained", 1, "container tender", [2.5, 5], 14,
    ["Pelargoniums are the red of every window box from here to the sea.", "They flower without a pause and forgive a forgotten watering."], "Bring them in before frost and start again from cuttings in March."),
  g("Petunia", "Petunia", "Plants>Bedding", "stars", "Violet+Pink+White+Magenta+Indigo", [20, 35], [5, 10], "Full sun/Loam", 1, "container hanging_basket tender scented", [2, 4.5], 14,
    ["Trailing petunias pour over the edge of a basket in sheets of colour.", "In the evening they smell faintly of vanilla."], "Pinch out the tips in May and feed every week."),
  g("Begonia", "Begonia", "Plants>Bedding", "rose", "Orange+Scarlet+Apricot+White+Pink", [20, 40], [6, 10], "Part shade+Shade/Loam", 3, "container hanging_basket tender", [2.5, 5.5], 10,
    ["Begonias flower in the shade where other bedding sulks.", "One tuber fills a pot and can be kept from year to year."], "Lift the tubers after the first frost and store them dry."),
  g("Pansy", "Viola", "Plants>Bedding", "faces", "Violet+Yellow+White+Apricot+Blue", [12, 20], [10, 5], "Full sun+Part shade/Loam", -15, "container winter_interest edible", [1.8, 3.5], 12,
    ["Pansies look up at you from pots all through the winter, asking nothing.", "Plant them over bulbs in October and both come up together."], "Pick off faded flowers and they keep going until May."),
  g("Swiss cheese plant", "Monstera deliciosa", "Plants>House plants", "houseplant", "Green", [40, 120], [0, 0], "Bright indirect/House plant compost", 12, "indoor foliage", [14, 45], 5,
    ["The Swiss cheese plant fills a corner with great cut leaves and patience.", "It grows up a moss pole and is hard to offend."], "Water when the top of the compost is dry, and wipe the leaves."),
  g("Snake plant", "Dracaena trifasciata", "Plants>House plants", "houseplant", "Green+Lime", [30, 80], [0, 0], "Bright indirect+Low light/House plant compost", 10, "indoor foliage easy", [9, 28], 6,
    ["The snake plant stands upright in the darkest hall and never complains.", "It can be left for a month without water, which makes it the plant for travellers."], "Water sparingly, and hardly at all in winter."),
  g("Peace lily", "Spathiphyllum", "Plants>House plants", "houseplant", "White", [35, 80], [3, 9], "Bright indirect+Low light/House plant compost", 12, "indoor", [9, 22], 5,
    ["The peace lily lifts white sails above dark leaves, even in a north room.", "It tells you when it is thirsty by lying down, and gets up again within the hour."], "Keep moist and out of draughts."),
  g("Moth orchid", "Phalaenopsis", "Plants>House plants", "orchid", "White+Magenta+Pink+Primrose", [35, 60], [1, 12], "Bright indirect/Bark", 15, "indoor gift", [13, 24], 8,
    ["A moth orchid flowers for three months at a time, and twice a year if it likes its window.", "It is the present that outlasts every bunch of flowers."], "Soak once a week and let it drain; never leave it standing in water."),
  g("Water lily", "Nymphaea", "Plants>Pond plants", "waterlily", "Pink+White+Primrose+Crimson", [20, 40], [6, 9], "Full sun/Aquatic", -20, "pond wildlife", [14, 26], 8,
    ["A water lily opens at ten and closes at tea time, and shades the water so that it stays clear.", "Frogs sit on the leaves and fish rest under them."], "Plant in a basket of aquatic soil and lower it by stages."),
  g("Marsh marigold", "Caltha palustris", "Plants>Pond plants", "daisy", "Gold+White", [25, 45], [3, 5], "Full sun+Part shade/Aquatic+Bog", -25, "pond bees wildlife native", [5, 8], 5,
    ["Marsh marigold is the first gold at the water's edge, when frogs are spawning.", "It grows with its feet wet, in bog or in a few centimetres of water."], "Divide after flowering if it grows too wide."),
  g("Water iris", "Iris laevigata", "Plants>Pond plants", "iris", "Violet+White+Blue", [60, 90], [6, 7], "Full sun/Aquatic+Bog", -20, "pond wildlife", [6, 10], 6,
    ["Water iris stands in the shallows with leaves like swords and flowers like silk.", "Dragonflies climb the stems to hatch."], "Keep its roots under 5 to 10 cm of water."),
];
