import type { Random } from "../random";

/** Words from which the names of invented cultivars are made. */
const FIRST = [
  "Moorland",
  "Harbour",
  "Chalk",
  "Kite",
  "Little",
  "Quiet",
  "Copper",
  "Winter",
  "Morning",
  "Evening",
  "Lantern",
  "Thistle",
  "Pebble",
  "Marsh",
  "Orchard",
  "Candle",
  "Velvet",
  "Market",
  "Drover's",
  "Abbey",
  "Ferry",
  "Meadow",
  "Cinder",
  "Linen",
  "Saddler's",
  "Tinker's",
  "River",
  "Silver",
  "Hollow",
  "Bramble",
  "Weaver's",
  "Cobble",
  "Painter's",
  "Willow",
  "Miller's",
  "Tide",
  "Ember",
  "Garnet",
  "Shepherd's",
  "Lamplight",
  "Northern",
  "Gable",
  "Hazel",
  "Old",
  "Paper",
  "Ribbon",
  "Summer",
  "Tall",
  "Wren's",
  "Yonder",
  "Autumn",
  "Bell",
  "Clover",
  "Dusk",
  "Early",
  "Fiddler's",
  "Glass",
  "Heron",
  "Island",
  "Juniper",
] as const;
const SECOND = [
  "Haze",
  "Mist",
  "Path",
  "Wings",
  "Cart",
  "Post",
  "Wall",
  "Song",
  "Lantern",
  "Bay",
  "Dance",
  "Light",
  "Feather",
  "Garland",
  "Gate",
  "Ribbon",
  "Sail",
  "Shadow",
  "Spark",
  "Step",
  "Veil",
  "Whisper",
  "Bonnet",
  "Bridge",
  "Charm",
  "Cloud",
  "Crown",
  "Drift",
  "Echo",
  "Fable",
  "Glow",
  "Halo",
  "Jewel",
  "Kiss",
  "Lace",
  "Market",
  "Promise",
  "Quill",
  "Reel",
  "Story",
  "Thread",
  "Window",
  "Yard",
  "Fair",
  "Beacon",
  "Tale",
] as const;

/** Gives out names, none twice. */
export class Namer {
  private readonly taken = new Set<string>();

  constructor(private readonly random: Random) {}

  cultivar(): string {
    for (;;) {
      const [first, second] = [this.random.pick(FIRST), this.random.pick(SECOND)];
      const name = `${first} ${second}`;
      if (first === second || this.taken.has(name)) continue;
      this.taken.add(name);
      return name;
    }
  }
}

export const BRANDS = {
  own: "Quillmoor",
  plants: ["Quillmoor", "Hartsedge Nursery", "Fernhollow", "Tarn & Thicket", "Longacre Growers"],
  seeds: ["Quillmoor", "Fernhollow", "Pipkin Seeds", "Goose Lane"],
  tools: ["Quillmoor", "Ashgrove Forge", "Brindle & Sons", "Stoutwell"],
  home: ["Quillmoor", "Kilnbrook", "Marlowe Yard", "Stoutwell"],
  wild: ["Quillmoor", "Wrenfield", "Hedgebank"],
  wear: ["Quillmoor", "Mossback", "Tarn & Thicket"],
  books: ["Lintel Press", "Hedgerow Books"],
} as const;

export const AUTHORS = [
  "Maud Ellerby",
  "Tobias Wrack",
  "Ines Calloway",
  "Perrin Dale",
  "Agnes Thorley",
  "Hugo Marchbanks",
  "Odette Fenn",
  "Silas Burrow",
] as const;

export const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
] as const;

/** Months from one to another, around the turn of the year where need be; numbers from 1. */
export function monthsBetween(from: number, to: number): string[] {
  const count = ((to - from + 12) % 12) + 1;
  return Array.from({ length: count }, (_, i) => MONTHS[(from - 1 + i) % 12]);
}

export function span(from: number, to: number): string {
  return from === to ? `in ${MONTHS[from - 1]}` : `from ${MONTHS[from - 1]} to ${MONTHS[to - 1]}`;
}
