import type { Random } from "../random";

/** How people call things: words that the shop's own texts use seldom or never. */
export const EVERYDAY_NAMES: Record<string, readonly string[]> = {
  Aubergine: ["eggplant"],
  Courgette: ["zucchini"],
  Coriander: ["cilantro"],
  "Coriander plant": ["cilantro plant"],
  Rocket: ["arugula"],
  Swede: ["rutabaga"],
  "Spring onion": ["scallion", "scallions"],
  Beetroot: ["beets"],
  Sweetcorn: ["corn", "maize"],
  "Broad bean": ["fava bean"],
  Mangetout: ["snow pea", "sugar snaps"],
  "Sweet pepper": ["bell pepper", "capsicum"],
  "Chilli pepper": ["hot pepper", "chili"],
  Pelargonium: ["geranium", "geraniums"],
  "Hardy geranium": ["cranesbill"],
  "Black-eyed Susan": ["rudbeckia"],
  Coneflower: ["echinacea"],
  Buddleia: ["butterfly bush"],
  "Mock orange": ["philadelphus"],
  Foxglove: ["digitalis"],
  Snapdragon: ["antirrhinum"],
  "Swiss cheese plant": ["monstera"],
  "Snake plant": ["mother in law's tongue", "sansevieria"],
  "Moth orchid": ["orchid", "orchids"],
  Daffodil: ["narcissus", "daffs"],
  "Japanese maple": ["acer", "acers"],
  "Ornamental cherry": ["cherry blossom tree", "flowering cherry"],
  Box: ["buxus", "boxwood"],
  "Cherry laurel": ["laurel hedge"],
  "Beech hedging": ["beech hedge"],
  "bypass secateurs": ["secateurs", "pruning shears", "garden clippers"],
  "anvil pruners": ["secateurs", "pruners"],
  loppers: ["branch cutters"],
  "hedge shears": ["hedge clippers"],
  "hand trowel": ["trowel", "garden trowel"],
  "digging spade": ["shovel", "spade"],
  "lawn rake": ["leaf rake"],
  "multi-purpose compost": ["potting mix", "compost"],
  "seed and cutting compost": ["seed compost"],
  "bark chippings": ["wood chips", "mulch"],
  "watering can": ["sprinkling can"],
  hosepipe: ["garden hose", "hose"],
  "spray nozzle": ["hose gun"],
  "lawn sprinkler": ["sprinkler"],
  "drip irrigation kit": ["drip system", "irrigation"],
  "water butt": ["rain barrel"],
  "seed feeder": ["bird feeder"],
  "fat balls": ["suet balls"],
  "nest box": ["bird house", "bird box"],
  "insect hotel": ["bug hotel", "bee hotel"],
  "garden bench": ["outdoor seat"],
  "bistro table": ["small garden table"],
  "folding chair": ["garden chair"],
  "gardening gloves": ["garden gloves"],
  "wellington boots": ["wellies", "rubber boots"],
  "heated propagator": ["seed heater"],
  "walk-in greenhouse": ["glasshouse", "greenhouse"],
  "bamboo canes": ["plant sticks"],
  "garden twine": ["string"],
  "gift set": ["present for gardener", "gift for gardener"],
  "voucher card": ["gift card", "gift voucher"],
  "herb windowsill kit": ["herb growing kit"],
  "glazed pot": ["ceramic pot"],
  "classic flower pot": ["flower pot", "terracotta pot", "clay pot"],
  trough: ["window box"],
};

/** Colours as shoppers say them, with the shop's names for them. */
export const SHADES_BY_COLOUR: Record<string, readonly string[]> = {
  red: ["Red", "Crimson", "Claret", "Scarlet"],
  pink: ["Pink", "Damask pink", "Shell pink", "Blush", "Magenta"],
  blue: ["Blue", "Cobalt", "Powder blue", "Indigo", "Navy"],
  purple: ["Purple", "Violet", "Lilac", "Mauve", "Plum"],
  white: ["White", "Ivory", "Cream"],
  yellow: ["Yellow", "Primrose", "Gold", "Lemon", "Amber"],
  orange: ["Orange", "Apricot", "Copper", "Coral"],
};

const COMMON_SLIPS: Record<string, string> = {
  lavender: "lavendar",
  hydrangea: "hydranga",
  fuchsia: "fuschia",
  clematis: "clemetis",
  secateurs: "secatuers",
  chrysanthemum: "crysanthemum",
  delphinium: "delphinum",
  buddleia: "budleia",
  camellia: "camelia",
  rosemary: "rosmary",
  daffodil: "daffodill",
  daffodils: "daffodills",
  broccoli: "brocolli",
  cauliflower: "califlower",
  tomato: "tomatoe",
  strawberry: "strawbery",
  gooseberry: "goosberry",
  honeysuckle: "honeysuckel",
  pelargonium: "pelargonum",
  compost: "compots",
  begonia: "begonea",
};

const KEYBOARD = ["qwertyuiop", "asdfghjkl", "zxcvbnm"];
const DOUBLES = /([bcdfglmnprst])(?!\1)/;

/** A word as a hurried hand types it; short words and those with digits come out right. */
export function misspell(word: string, random: Random): string {
  if (word.length < 5 || /[^a-z]/.test(word)) return word;
  if (COMMON_SLIPS[word] && random.chance(0.5)) return COMMON_SLIPS[word];
  const at = random.whole(1, word.length - 2);
  const chance = random.next();
  if (chance < 0.35) return word.slice(0, at) + word.slice(at + 1);
  if (chance < 0.6) return word.slice(0, at) + word[at + 1] + word[at] + word.slice(at + 2);
  if (chance < 0.7) return word.replace(DOUBLES, "$1$1");
  if (chance < 0.9) return word.slice(0, at) + neighbourOf(word[at], random) + word.slice(at + 1);
  const vowels = [...word.matchAll(/[aeiou]/g)].map(({ index }) => index).filter((index) => index > 0);
  if (vowels.length === 0) return word;
  const place = random.pick(vowels);
  return word.slice(0, place) + random.pick([..."aeiou"].filter((vowel) => vowel !== word[place])) + word.slice(place + 1);
}

function neighbourOf(letter: string, random: Random): string {
  const row = KEYBOARD.find((keys) => keys.includes(letter)) ?? KEYBOARD[0];
  const at = row.indexOf(letter);
  return random.pick([row[at - 1], row[at + 1]].filter(Boolean));
}
