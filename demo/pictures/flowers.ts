import { at, circle, type Draw, dark, ellipse, ground, group, LEAF, LEAF_DARK, leaf, light, line, mix, path, petals, STEM, times, WOOD, WOOD_DARK } from "./brush";

/** Plants in flower, one drawing for each habit. */

const stem = (x: number, y: number, tx: number, ty: number, width = 2.6) => line(`M${x} ${y}Q${(x + tx) / 2 + (tx - x) * 0.2} ${(y + ty) / 2} ${tx} ${ty}`, STEM, width);
const tuft = (x: number, y: number, count: number, length: number, fill = LEAF) => times(count, (i) => at(x, y, leaf(length * (0.8 + (i % 3) * 0.12), 7, i % 2 ? fill : LEAF_DARK), 1, -62 + (i * 124) / Math.max(1, count - 1)));

const spikes: Draw = (tint, random) => {
  const heads = times(9, (i) => {
    const x = 46 + i * 18.5 + random.whole(-3, 3);
    const top = 62 + Math.abs(i - 4) * 9 + random.whole(-6, 10);
    const lean = (i - 4) * 2.2;
    const florets = times(8, (k) => ellipse((k % 2 ? 3.4 : -3.4) * (1 - k / 14), -k * 6.4, 4.6 - k * 0.28, 4, k % 3 === 0 ? light(tint) : k % 3 === 1 ? tint : dark(tint, 0.12)));
    return stem(120 + (i - 4) * 7, 208, x, top + 30) + at(x, top + 34, florets, 1, lean);
  });
  return ground() + tuft(120, 208, 13, 62, "#8ea48a") + heads;
};

const spires: Draw = (tint, random) =>
  ground(60) + tuft(120, 208, 9, 60) +
  times(4, (i) => {
    const x = 72 + i * 32;
    const top = 34 + ((i * 29) % 34) + random.whole(0, 10);
    return stem(110 + i * 7, 206, x, top) + times(13, (k) => {
      const y = top + 6 + k * 9;
      const size = 3.4 + k * 0.5;
      return ellipse(x + (k % 2 ? size : -size), y, size, size * 0.9, k % 2 ? tint : light(tint, 0.25), k % 2 ? 24 : -24) + circle(x + (k % 2 ? size + 1 : -size - 1), y + 1, size * 0.32, dark(tint, 0.35));
    });
  });

const daisyHead = (tint: string, size: number, middle = "#8a5a22") => petals(15, size, size * 0.17, tint) + circle(0, 0, size * 0.3, middle) + circle(-size * 0.07, -size * 0.07, size * 0.17, light(middle, 0.25));
const daisy: Draw = (tint, random) => {
  const middle = ["#f5f1e6", "#f1e8cf"].includes(tint) ? "#dcae2e" : "#7a4a26";
  const spots: [number, number, number][] = [[120, 70, 33], [66, 96, 27], [176, 92, 28], [92, 136, 23], [156, 142, 24]];
  return ground(62) + tuft(120, 208, 11, 58) + spots.map(([x, y]) => stem(120 + (x - 120) * 0.2, 206, x, y)).join("") + spots.map(([x, y, size]) => at(x + random.whole(-4, 4), y + random.whole(-4, 4), daisyHead(tint, size, middle))).join("");
};

const roseHead = (tint: string, size: number) =>
  petals(5, size, size * 0.56, dark(tint, 0.1), 10) + petals(5, size * 0.8, size * 0.46, tint, 46) + petals(5, size * 0.56, size * 0.32, light(tint, 0.2), 12) + circle(0, 0, size * 0.24, tint) +
  line(`M${-size * 0.15} 0A${size * 0.15} ${size * 0.15} 0 1 1 ${size * 0.1} ${size * 0.12}`, dark(tint, 0.3), 1.6);
const rose: Draw = (tint, random) => {
  const spots: [number, number, number][] = [[118, 78, 36], [66, 112, 27], [174, 108, 28], [128, 146, 24]];
  return ground(60) + spots.map(([x, y]) => stem(120, 208, x, y, 3.4)).join("") +
    times(14, (i) => at(64 + ((i * 53) % 116), 118 + ((i * 31) % 76), leaf(27, 10, i % 2 ? LEAF : LEAF_DARK), 1, (i * 67) % 360)) +
    spots.map(([x, y, size]) => at(x + random.whole(-3, 3), y, roseHead(tint, size), 1, random.whole(0, 70))).join("");
};

const climber: Draw = (tint, random) => {
  const trellis = times(5, (i) => line(`M${62 + i * 29} 30V206`, "#cdbb9c", 4)) + times(5, (i) => line(`M50 ${44 + i * 36}H190`, "#c0ac8a", 4));
  const vine = line("M118 208C90 170 150 150 112 112S86 72 130 34", WOOD_DARK, 5) + line("M112 120C150 104 176 92 172 52", WOOD_DARK, 3.4) + line("M120 150C90 140 70 120 70 84", WOOD_DARK, 3.4);
  return ground(60) + trellis + vine + times(30, (i) => at(60 + ((i * 47) % 124), 36 + ((i * 37) % 150), leaf(20, 8, i % 3 ? LEAF : LEAF_DARK), 1, (i * 71) % 360)) +
    times(10, (i) => at(68 + ((i * 61) % 110), 42 + ((i * 43) % 132), roseHead(tint, 15 + (i % 3) * 3), 1, random.whole(0, 80)));
};

const umbels: Draw = (tint, random) =>
  ground(64) + tuft(120, 208, 13, 66, "#87a37a") +
  [[76, 92], [122, 66], [168, 96], [100, 128], [148, 132]].map(([x, y]) => stem(120 + (x - 120) * 0.25, 206, x, y + 6) + times(17, (k) => circle(x + Math.cos(k * 2.4) * (4 + k * 1.25), y + Math.sin(k * 2.4) * (2 + k * 0.5), 4.4, random.chance(0.5) ? tint : light(tint, 0.28)))).join("");

const nodding: Draw = (tint, random) =>
  ground(56) + tuft(120, 208, 11, 74) +
  [[78, 84], [120, 60], [162, 86], [98, 128], [146, 130]].map(([x, y], i) => {
    const side = i % 2 ? 1 : -1;
    return line(`M120 206Q${x - side * 6} ${y + 10} ${x - side * 8} ${y - 14}Q${x - side * 2} ${y - 28} ${x + side * 8} ${y - 10}`, STEM, 2.6) +
      at(x + side * 8, y - 10, path("M0 0C-18 6 -19 24 -15 32L-6 26L0 34L6 26L15 32C19 24 18 6 0 0Z", tint) + path("M0 2C-7 8 -8 20 -6 26L0 32L6 26C8 20 7 8 0 2Z", light(tint, 0.3)) + line("M0 30V38", dark(tint, 0.3), 1.6), 1, random.whole(-8, 8));
  }).join("");

const stars: Draw = (tint, random) => {
  const head = (size: number) => times(6, (i) => group(path(`M0 0C${-size * 0.4} ${-size * 0.4} ${-size * 0.26} ${-size * 0.86} 0 ${-size}C${size * 0.26} ${-size * 0.86} ${size * 0.4} ${-size * 0.4} 0 0Z`, i % 2 ? tint : light(tint, 0.14)) + line(`M0 -4V${-size * 0.8}`, light(tint, 0.45), 1.4), `rotate(${i * 60})`)) + circle(0, 0, size * 0.17, "#f1e2a0");
  const spots: [number, number, number][] = [[86, 74, 34], [156, 88, 36], [108, 140, 33], [176, 152, 25], [58, 136, 24]];
  return ground(56) + line("M124 208C96 168 132 140 92 76M124 190C150 160 150 130 160 92M112 160C90 150 70 146 58 136M130 176C150 168 166 164 176 152", WOOD, 3.4) + times(16, (i) => at(58 + ((i * 59) % 126), 60 + ((i * 41) % 138), leaf(25, 9, i % 2 ? LEAF : LEAF_DARK), 1, (i * 83) % 360)) + spots.map(([x, y, size]) => at(x, y, head(size), 1, random.whole(0, 40))).join("");
};

const mophead: Draw = (tint, random) => {
  const dome = (r: number) => times(34, (k) => at(Math.cos(k * 2.4) * Math.sqrt(k / 34) * r, Math.sin(k * 2.4) * Math.sqrt(k / 34) * r * 0.82, petals(4, 9, 4.6, k % 3 ? tint : light(tint, 0.28), k * 31) + circle(0, 0, 1.6, light(tint, 0.6))));
  const spots: [number, number, number][] = [[120, 76, 38], [70, 116, 30], [172, 116, 31]];
  return ground(66) + line("M120 208V90M120 200Q90 170 72 128M120 200Q152 170 170 128", WOOD_DARK, 4.4) + times(16, (i) => at(60 + ((i * 53) % 124), 128 + ((i * 29) % 66), leaf(40, 16, i % 2 ? LEAF : LEAF_DARK), 1, -80 + ((i * 49) % 160))) + spots.map(([x, y, r]) => at(x, y, dome(r), 1, random.whole(0, 50))).join("");
};

const blossom: Draw = (tint) =>
  ground(64) + line("M120 208V150M120 190Q84 150 66 80M120 184Q150 150 178 84M120 160Q112 110 122 50", WOOD_DARK, 5) + times(26, (i) => at(58 + ((i * 47) % 128), 52 + ((i * 37) % 124), leaf(22, 9, i % 2 ? LEAF : LEAF_DARK), 1, (i * 61) % 360)) + times(24, (i) => at(62 + ((i * 59) % 120), 50 + ((i * 43) % 112), petals(4, 12, 6, tint, i * 27) + circle(0, 0, 3, "#dcb84a")));

const tulip: Draw = (tint, random) =>
  ground(64) + [[76, 84], [120, 62], [164, 88], [98, 122], [144, 126]].map(([x, y], i) => line(`M${114 + i * 3} 208Q${x} 160 ${x} ${y + 20}`, STEM, 3.6) + at(114 + i * 3, 208, leaf(88, 11, i % 2 ? LEAF : LEAF_DARK), 1, (i - 2) * 17) +
    at(x, y, path("M-19 22C-24 -4 -20 -20 -15 -27L-6 -15L0 -30L6 -15L15 -27C20 -20 24 -4 19 22C10 31 -10 31 -19 22Z", tint) + path("M-7 27C-13 6 -8 -16 0 -30C8 -16 13 6 7 27Z", light(tint, 0.22)) + path("M-19 22C-23 0 -20 -16 -15 -27L-9 -19C-14 -6 -14 12 -9 26Z", dark(tint, 0.12)), 1, random.whole(-7, 7))).join("");

const daffodil: Draw = (tint, random) =>
  ground(60) + times(12, (i) => at(120 + (i - 6) * 5, 208, leaf(96, 5, i % 2 ? LEAF : LEAF_DARK), 1, (i - 6) * 5)) + [[80, 80], [130, 62], [166, 108], [102, 132]].map(([x, y]) => stem(120, 208, x, y, 3.2) + at(x, y, petals(6, 29, 10, tint, random.whole(0, 50)) + circle(0, 0, 11, mix(tint, "#e08a2c", 0.6)) + circle(0, 0, 6.6, mix(tint, "#b45f14", 0.7)))).join("");

const crocus: Draw = (tint, random) =>
  ground(66) + times(18, (i) => at(62 + i * 7, 208, leaf(54, 2.6, i % 2 ? LEAF : LEAF_DARK), 1, (i - 9) * 3.4)) + [[72, 132], [112, 110], [152, 126], [180, 152], [94, 160], [136, 164]].map(([x, y]) => line(`M${x} 208V${y + 20}`, "#e7e2d2", 5) + at(x, y, path("M-15 24C-24 0 -14 -22 -10 -28L0 -14L10 -28C14 -22 24 0 15 24C6 30 -6 30 -15 24Z", tint) + path("M-6 27C-12 6 -6 -18 0 -27C6 -18 12 6 6 27Z", light(tint, 0.28)) + path("M-2 -8L0 -16L2 -8Z", "#e08a2c"), 1, random.whole(-9, 9))).join("");

const snowdrop: Draw = (_tint, random) =>
  ground(60) + times(14, (i) => at(84 + i * 5.4, 208, leaf(84, 3.4, i % 2 ? LEAF : LEAF_DARK), 1, (i - 7) * 4)) + [[78, 92], [110, 70], [146, 84], [172, 118], [98, 136], [136, 140]].map(([x, y]) => line(`M${x + 4} 208Q${x - 4} ${y} ${x + 6} ${y - 14}Q${x + 16} ${y - 18} ${x + 16} ${y}`, STEM, 2.4) + at(x + 16, y, path("M0 0C-5 6 -17 22 -12 33C-6 30 -3 16 0 6C3 16 6 30 12 33C17 22 5 6 0 0Z", "#fdfcf6") + path("M0 4C-6 14 -6 26 -4 31H4C6 26 6 14 0 4Z", "#f1efe2") + path("M-3 26L0 22L3 26L2 29H-2Z", LEAF_DARK), 1, random.whole(-10, 10))).join("");

const allium: Draw = (tint, random) =>
  ground(56) + tuft(120, 208, 9, 64) + [[78, 84, 27], [130, 62, 32], [170, 112, 24]].map(([x, y, r]) => line(`M120 206Q${x} 160 ${x} ${y}`, STEM, 3.4) + times(70, (k) => {
    const reach = r * Math.sqrt((k + 1) / 70);
    const [px, py] = [x + Math.cos(k * 2.4) * reach, y + Math.sin(k * 2.4) * reach];
    return (k % 5 === 0 ? line(`M${x} ${y}L${px.toFixed(1)} ${py.toFixed(1)}`, light(tint, 0.4), 0.7) : "") + circle(px, py, 2.5, random.chance(0.5) ? tint : light(tint, 0.32));
  })).join("");

const hyacinth: Draw = (tint) =>
  ground(60) + times(9, (i) => at(120 + (i - 4) * 10, 208, leaf(78, 9, i % 2 ? LEAF : LEAF_DARK), 1, (i - 4) * 10)) + [[82, 108], [122, 84], [162, 112]].map(([x, y]) => line(`M${x} 208V${y}`, STEM, 6) + times(30, (k) => at(x + ((k % 4) - 1.5) * (10 - k * 0.12), y + 52 - Math.floor(k / 4) * 11 + (k % 2) * 4, petals(5, 9.4, 3.6, k % 3 ? tint : light(tint, 0.25), k * 40)))).join("");

const dahlia: Draw = (tint, random) => {
  const head = (size: number) => [1, 0.8, 0.6, 0.4].map((scale, ring) => petals(16 - ring * 3, size * scale, size * 0.15 * scale + 1.4, ring % 2 ? light(tint, 0.16) : dark(tint, 0.04 * ring), ring * 12)).join("") + circle(0, 0, size * 0.13, dark(tint, 0.24));
  const spots: [number, number, number][] = [[122, 78, 42], [66, 122, 29], [176, 128, 30]];
  return ground(60) + spots.map(([x, y]) => stem(120, 208, x, y, 3.8)).join("") + times(13, (i) => at(66 + ((i * 53) % 112), 136 + ((i * 31) % 62), leaf(32, 12, i % 2 ? LEAF : LEAF_DARK), 1, (i * 67) % 360)) + spots.map(([x, y, size]) => at(x, y, head(size), 1, random.whole(0, 30))).join("");
};

const lily: Draw = (tint, random) =>
  ground(50) + line("M120 208V60M120 150Q96 130 78 112M120 130Q150 112 168 96", STEM, 4) + times(12, (i) => at(120, 196 - i * 10, leaf(38, 5, i % 2 ? LEAF : LEAF_DARK), 1, i % 2 ? 62 : -62)) + [[120, 62, 35], [74, 110, 29], [172, 96, 31]].map(([x, y, size]) => at(x, y, times(6, (i) => group(path(`M0 0C${-size * 0.34} ${-size * 0.3} ${-size * 0.28} ${-size * 0.9} ${size * 0.06} ${-size}C${size * 0.3} ${-size * 0.8} ${size * 0.32} ${-size * 0.3} 0 0Z`, i % 2 ? tint : light(tint, 0.2)) + line(`M0 -3V${-size * 0.7}`, dark(tint, 0.16), 1), `rotate(${i * 60})`)) + times(6, (i) => group(line(`M0 0V${-size * 0.4}`, "#9bab6a", 1.2) + ellipse(0, -size * 0.43, 2.2, 3.6, "#8a4a1e"), `rotate(${i * 60 + 30})`)), 1, random.whole(0, 50))).join("");

const iris: Draw = (tint) =>
  ground(58) + times(8, (i) => at(120 + (i - 4) * 11, 208, leaf(112, 8, i % 2 ? "#7d9a84" : "#647f70"), 1, (i - 4) * 7)) + [[90, 84], [152, 72]].map(([x, y]) => line(`M120 208Q${x} 150 ${x} ${y + 20}`, STEM, 4) + at(x, y, path("M0 14C-18 -2 -16 -34 0 -42C16 -34 18 -2 0 14Z", light(tint, 0.25)) + path("M-2 12C-26 6 -44 20 -36 48C-20 46 -6 34 -2 12Z", tint) + path("M2 12C26 6 44 20 36 48C20 46 6 34 2 12Z", tint) + path("M-8 14C-10 34 -4 48 0 54C4 48 10 34 8 14Z", dark(tint, 0.14)) + line("M-4 15L-18 27M4 15L18 27M0 16V34", "#e2b43c", 3))).join("");

const faces: Draw = (tint, random) =>
  ground(70) + times(18, (i) => at(54 + ((i * 47) % 134), 140 + ((i * 29) % 62), leaf(28, 11, i % 2 ? LEAF : LEAF_DARK), 1, -70 + ((i * 61) % 140))) + [[80, 92, 25], [132, 76, 28], [174, 120, 23], [104, 146, 24], [152, 162, 22], [62, 144, 20]].map(([x, y, size]) => at(x, y, ellipse(-size * 0.42, -size * 0.46, size * 0.56, size * 0.6, dark(tint, 0.18), -20) + ellipse(size * 0.42, -size * 0.46, size * 0.56, size * 0.6, dark(tint, 0.18), 20) + ellipse(-size * 0.58, size * 0.2, size * 0.54, size * 0.5, tint) + ellipse(size * 0.58, size * 0.2, size * 0.54, size * 0.5, tint) + ellipse(0, size * 0.52, size * 0.62, size * 0.52, light(tint, 0.12)) + path(`M0 ${size * 0.1}L${-size * 0.4} ${size * 0.5}L0 ${size * 0.64}L${size * 0.4} ${size * 0.5}Z`, dark(tint, 0.6)) + circle(0, size * 0.12, size * 0.13, "#edc83f"), 1, random.whole(-12, 12))).join("");

const poppy: Draw = (tint, random) =>
  ground(56) + tuft(120, 208, 9, 50) + [[82, 84, 31], [148, 70, 34], [176, 130, 25], [106, 138, 27]].map(([x, y, size]) => stem(120, 206, x, y, 2.4) + at(x, y, petals(4, size * 1.1, size * 0.66, tint, random.whole(0, 80)) + petals(4, size * 0.8, size * 0.42, light(tint, 0.14), 45) + circle(0, 0, size * 0.22, "#33302c") + times(12, (i) => group(circle(0, -size * 0.34, 1.5, "#33302c"), `rotate(${i * 30})`)))).join("");

const sunflower: Draw = (tint) =>
  ground(44) + line("M120 208V92", LEAF_DARK, 7) + at(120, 170, leaf(58, 20, LEAF), 1, -68) + at(120, 152, leaf(58, 20, LEAF_DARK), 1, 68) + at(120, 84, petals(22, 58, 7.4, tint) + petals(22, 46, 6.4, light(tint, 0.22), 8) + circle(0, 0, 27, "#5b3a20") + times(44, (k) => circle(Math.cos(k * 2.4) * Math.sqrt(k) * 3.6, Math.sin(k * 2.4) * Math.sqrt(k) * 3.6, 1.7, "#8a5f35")));

const sweetpea: Draw = (tint, random) =>
  ground(50) + line("M120 208C96 170 146 140 112 96S130 50 120 36", STEM, 3.4) + times(8, (i) => at(118 + (i % 2 ? 8 : -8), 196 - i * 18, leaf(32, 8, i % 2 ? LEAF : LEAF_DARK), 1, i % 2 ? 62 : -62)) + [[84, 74], [142, 62], [104, 116], [160, 112], [78, 140]].map(([x, y]) => at(x, y, path("M0 10C-30 4 -34 -26 -14 -28C-4 -30 0 -22 0 -22C0 -22 4 -30 14 -28C34 -26 30 4 0 10Z", tint) + path("M0 12C-16 8 -16 -8 0 -12C16 -8 16 8 0 12Z", light(tint, 0.3)), 0.92, random.whole(-18, 18))).join("");

const meadow: Draw = (_tint, random) =>
  ground(84) + times(26, (i) => at(40 + i * 6.4, 208, leaf(50 + ((i * 37) % 60), 2.4, i % 2 ? LEAF : LEAF_DARK), 1, random.whole(-14, 14))) + times(15, (i) => {
    const [x, y] = [48 + ((i * 53) % 148), 66 + ((i * 41) % 92)];
    const tint = ["#cf3527", "#2f4f9e", "#edc83f", "#f5f1e6", "#b59acb"][i % 5];
    return stem(x + random.whole(-6, 6), 208, x, y, 2) + at(x, y, i % 5 === 0 ? petals(4, 16, 9, tint) + circle(0, 0, 3.6, "#33302c") : petals(9, 13, 2.8, tint) + circle(0, 0, 3.8, "#dcae2e"));
  });

const orchid: Draw = (tint) =>
  ground(50) + at(120, 176, leaf(62, 13, LEAF_DARK), 1, -74) + at(120, 176, leaf(62, 13, LEAF), 1, 74) + line("M118 178C104 120 112 60 178 52", STEM, 3) + [[112, 102], [126, 72], [152, 58], [178, 62]].map(([x, y], i) => at(x, y, ellipse(0, -13, 8, 12, light(tint, 0.2)) + ellipse(-15, -2, 14, 10, tint, -12) + ellipse(15, -2, 14, 10, tint, 12) + ellipse(-8, 12, 7, 11, light(tint, 0.2), 26) + ellipse(8, 12, 7, 11, light(tint, 0.2), -26) + path("M-6 0C-4 10 4 10 6 0L0 4Z", "#c0356e") + circle(0, 0, 3, "#edc83f"), 1 - i * 0.07)).join("") + path("M94 176H146L140 210H100Z", "#e9e4da") + path("M94 176H146L144.600 184H95.400Z", "#d6cfc1");

const waterlily: Draw = (tint) =>
  ellipse(120, 158, 98, 48, "#a9c4c6") + ellipse(120, 164, 90, 40, "#b9d1d1") + [[62, 170, 34], [176, 166, 31], [134, 190, 27]].map(([x, y, r]) => ellipse(x, y, r, r * 0.44, LEAF) + path(`M${x} ${y}L${x + r * 0.9} ${y - r * 0.3}L${x + r * 1.02} ${y + r * 0.08}Z`, "#b3cccd") + line(`M${x} ${y}L${x - r * 0.7} ${y - r * 0.1}M${x} ${y}L${x - r * 0.3} ${y + r * 0.3}`, LEAF_DARK, 1.2)).join("") + at(116, 140, times(9, (i) => group(path("M0 0C-11 -22 -7 -46 0 -56C7 -46 11 -22 0 0Z", i % 2 ? tint : light(tint, 0.2)), `rotate(${-72 + i * 18})`)) + times(5, (i) => group(path("M0 4C-9 -14 -6 -34 0 -42C6 -34 9 -14 0 4Z", light(tint, 0.4)), `rotate(${-40 + i * 20})`)) + times(7, (i) => circle(-9 + i * 3, -12 - (i % 2) * 4, 2.4, "#e2b43c")));

export const FLOWERS: Record<string, Draw> = { spikes, spires, daisy, rose, climber, umbels, nodding, stars, mophead, blossom, tulip, daffodil, crocus, snowdrop, allium, hyacinth, dahlia, lily, iris, faces, poppy, sunflower, sweetpea, meadow, orchid, waterlily };
