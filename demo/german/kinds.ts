/** What the German shop sells: kinds of article, each made in several kinds of its own. */
export interface Kind {
  name: string;
  category: string;
  drawing: string;
  colours: string[];
  price: [number, number];
  count: number;
  line: string;
  tags: string[];
  /** Of plants: height in cm, and whether they stand frost and feed bees. */
  plant?: { height: [number, number]; hardy: boolean; bees: boolean; light: string };
  /** Sizes in which it comes, each an option. */
  sizes?: string[];
}

const k = (name: string, category: string, drawing: string, colours: string, price: [number, number], count: number, line: string, tags: string, more: Pick<Kind, "plant" | "sizes"> = {}): Kind => ({
  name, category, drawing, colours: colours.split("+"), price, count, line, tags: tags.split(" ").filter(Boolean), ...more,
});
const plant = (least: number, most: number, hardy: boolean, bees: boolean, light = "Sonne") => ({ plant: { height: [least, most] as [number, number], hardy, bees, light } });
const POTS = ["9 cm", "2 Liter", "5 Liter"];

export const KINDS: Kind[] = [
  k("Lavendel", "Pflanzen > Stauden", "spikes", "Violett+Blau+Weiß+Rosa", [4.5, 8.9], 12, "Duftet den ganzen Sommer und zieht Bienen an.", "duftend trockenheitsverträglich", { ...plant(30, 60, true, true), sizes: POTS }),
  k("Storchschnabel", "Pflanzen > Stauden", "daisy", "Blau+Rosa+Weiß", [4.2, 7.5], 8, "Der beste Bodendecker unter Gehölzen.", "bodendeckend", { ...plant(25, 50, true, true, "Halbschatten"), sizes: ["9 cm", "2 Liter"] }),
  k("Sonnenhut", "Pflanzen > Stauden", "daisy", "Gelb+Orange+Rosa", [4.9, 8.2], 9, "Leuchtet bis in den Oktober und hält lange in der Vase.", "schnittblume", plant(60, 100, true, true)),
  k("Rittersporn", "Pflanzen > Stauden", "spires", "Blau+Weiß+Lila", [5.5, 9.5], 7, "Die hohen Kerzen des Juni, am schönsten ganz hinten im Beet.", "schnittblume", plant(120, 170, true, true)),
  k("Kletterrose", "Pflanzen > Rosen", "climber", "Rot+Rosa+Weiß+Creme", [15.9, 24.9], 9, "Klettert am Rankgitter bis unter das Dach.", "duftend kletternd", { ...plant(200, 350, true, false), sizes: ["2 Liter", "5 Liter"] }),
  k("Beetrose", "Pflanzen > Rosen", "rose", "Rot+Gelb+Rosa+Apricot", [11.9, 18.9], 10, "Blüht in Büscheln vom Juni bis zum Frost.", "duftend", { ...plant(60, 90, true, false), sizes: ["2 Liter", "5 Liter"] }),
  k("Hortensie", "Pflanzen > Sträucher", "mophead", "Blau+Rosa+Weiß", [12.5, 22], 8, "Große Blütenbälle für kühle Plätze.", "schattig", { ...plant(100, 180, true, false, "Halbschatten"), sizes: ["2 Liter", "5 Liter"] }),
  k("Flieder", "Pflanzen > Sträucher", "spires", "Lila+Weiß+Violett", [18, 32], 5, "Der Duft des Mai, seit Großmutters Garten.", "duftend", plant(250, 400, true, true)),
  k("Ziergras", "Pflanzen > Gräser", "grass", "Grün+Braun", [5.5, 9.5], 6, "Bewegung im Beet, auch noch im Winter.", "trockenheitsverträglich", plant(50, 160, true, false)),
  k("Geranie", "Pflanzen > Balkonpflanzen", "daisy", "Rot+Rosa+Weiß", [2.9, 4.9], 9, "Für den Balkonkasten, gießen und freuen.", "balkon frostempfindlich", plant(25, 40, false, false)),
  k("Fuchsie", "Pflanzen > Balkonpflanzen", "nodding", "Rot+Violett+Rosa", [3.2, 5.9], 7, "Glöckchen für schattige Fenster.", "balkon frostempfindlich", plant(30, 60, false, false, "Halbschatten")),
  k("Basilikum", "Pflanzen > Kräuter", "leaves", "Grün", [2.4, 3.6], 5, "Für Tomaten und Sommerabende.", "kräuter", plant(20, 40, false, true)),
  k("Rosmarin", "Pflanzen > Kräuter", "spikes", "Blau", [3.4, 6.5], 5, "Immergrün, würzig, gern am warmen Mauerfuß.", "kräuter", plant(40, 90, false, true)),
  k("Tulpenzwiebeln", "Blumenzwiebeln > Tulpen", "tulip", "Rot+Gelb+Weiß+Orange+Violett", [3.5, 6.9], 12, "Im Herbst gesteckt, im April ein Fest.", "herbstpflanzung", plant(35, 60, true, false)),
  k("Narzissenzwiebeln", "Blumenzwiebeln > Narzissen", "daffodil", "Gelb+Weiß", [3.2, 5.9], 7, "Kommen Jahr um Jahr wieder.", "herbstpflanzung", plant(25, 45, true, false)),
  k("Krokuszwiebeln", "Blumenzwiebeln > Krokusse", "crocus", "Violett+Gelb+Weiß", [2.5, 4.5], 6, "Die ersten Bienen des Jahres danken es.", "herbstpflanzung", plant(8, 12, true, true)),
  k("Gartenschere", "Werkzeug > Scheren", "secateurs", "Rot+Grün+Schwarz", [14.9, 48], 8, "Schneidet Triebe bis zwei Zentimeter, ohne zu quetschen.", "schneiden"),
  k("Heckenschere", "Werkzeug > Scheren", "shears", "Grün+Grau", [24.9, 64], 6, "Lange Klingen für einen geraden Schnitt.", "schneiden"),
  k("Rosenschere", "Werkzeug > Scheren", "secateurs", "Rot+Schwarz", [16.9, 39], 4, "Hält die geschnittene Blüte fest.", "schneiden"),
  k("Pflanzschaufel", "Werkzeug > Handgeräte", "trowel", "Braun+Grün", [8.9, 19.9], 7, "Geschmiedet aus einem Stück, mit Eschengriff.", "pflanzen"),
  k("Spaten", "Werkzeug > Bodenbearbeitung", "spade", "Braun", [29.9, 69], 6, "Mit Trittkante, für schweren Boden.", "graben"),
  k("Grabegabel", "Werkzeug > Bodenbearbeitung", "fork", "Braun", [32.9, 72], 5, "Lockert, ohne Würmer zu teilen.", "graben"),
  k("Gießkanne", "Bewässerung > Kannen", "can", "Grün+Grau+Gelb", [12.9, 38], 8, "Mit langem Hals und feiner Brause.", "gießen", { sizes: ["1,5 Liter", "5 Liter", "10 Liter"] }),
  k("Gartenschlauch", "Bewässerung > Schläuche", "hose", "Grün+Gelb", [19.9, 59], 6, "Knickt nicht und friert nicht.", "gießen", { sizes: ["15 m", "25 m", "50 m"] }),
  k("Regentonne", "Bewässerung > Tonnen", "butt", "Grün+Braun", [39, 119], 4, "Sammelt, was vom Dach kommt.", "regenwasser"),
  k("Blumentopf", "Töpfe > Tontöpfe", "pot", "Terrakotta", [3.9, 14], 8, "Aus frostfestem Ton, von Hand gedreht.", "frostfest", { sizes: ["14 cm", "20 cm", "28 cm"] }),
  k("Übertopf", "Töpfe > Glasierte Töpfe", "glazed", "Blau+Grün+Weiß+Grau", [6.9, 22], 9, "Glasiertes Steinzeug für drinnen.", "wohnung", { sizes: ["14 cm", "18 cm"] }),
  k("Balkonkasten", "Töpfe > Kästen", "trough", "Grau+Weiß+Terrakotta", [9.9, 34], 6, "Mit Wasserspeicher und Haltern.", "balkon", { sizes: ["60 cm", "80 cm"] }),
  k("Blumenerde", "Erde und Dünger > Erden", "sack", "Braun", [5.9, 12.9], 5, "Ohne Torf, mit Kompost und Holzfaser.", "torffrei", { sizes: ["20 Liter", "40 Liter"] }),
  k("Rosendünger", "Erde und Dünger > Dünger", "tub", "Rot", [7.9, 15.9], 4, "Für viele Blüten und gesundes Laub.", "düngen"),
  k("Vogelhaus", "Tiere im Garten > Vögel", "nestbox", "Braun+Grün+Rot", [19.9, 54], 6, "Mit Flugloch für Meisen.", "vögel"),
  k("Bienenhotel", "Tiere im Garten > Insekten", "insecthotel", "Braun", [14.9, 42], 4, "Röhren aus Schilf und hartem Holz.", "bienen"),
  k("Gartenhandschuhe", "Kleidung > Handschuhe", "gloves", "Grün+Braun+Grau", [6.9, 24], 6, "Griffig und waschbar.", "schutz", { sizes: ["S", "M", "L", "XL"] }),
];

export const BRANDS = ["Quillmoor", "Moosbacher", "Eschenau Werkzeuge", "Lindgrün", "Torfkate", "Hasenwinkel"];
export const FIRST = ["Abend", "Morgen", "Kloster", "Mühlen", "Schloss", "Wiesen", "Linden", "Brunnen", "Hafen", "Kirch", "Winter", "Sommer", "Silber", "Kupfer", "Garten", "Nebel", "Stern", "Heide"];
export const SECOND = ["glück", "hof", "rain", "licht", "grund", "zauber", "ruh", "tal", "steg", "feuer", "traum", "weg"];
