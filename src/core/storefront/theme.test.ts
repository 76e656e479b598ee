import fc from "fast-check";
import { LOOKS, Theme } from "../settings/page/theme";
import { checkContrast } from "./check-theme";
import { contrast, readableOn } from "./contrast";
import { LOOK_COLOURS, tokensOf } from "./looks";
import { PARTS, safeCss } from "./own-css";
import { readTokens, themeOf } from "./read-tokens";

describe("contrast", () => {
  test("is 21 for black on white, 1 for a colour on itself, and as published for others", () => {
    expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
    expect(contrast("#5b2a4e", "#5b2a4e")).toBe(1);
    expect(contrast("#777777", "#ffffff")).toBeCloseTo(4.48, 2);
    expect([readableOn("#ffee00"), readableOn("#223344")]).toEqual(["#000000", "#ffffff"]);
  });
  test("every starting look reads well", () => {
    for (const look of LOOKS) expect([look, checkContrast(LOOK_COLOURS[look]).filter(({ passes }) => !passes)]).toEqual([look, []]);
  });
  test("names the pair that is too weak", () => {
    const { colours } = tokensOf(Theme.parse({ colours: { press: "#9fd3a9" } }));
    expect(
      checkContrast(colours)
        .filter(({ passes }) => !passes)
        .map(({ name }) => name),
    ).toEqual(["links", "text on buttons"]);
  });
});

describe("own rules", () => {
  test("reach named parts and their states, nothing else", () => {
    expect(safeCss("::part(card):hover { border: 1px solid #ccc; padding: 4px }")).toEqual({
      css: '.shop [part~="card"]:hover{border:1px solid #ccc;padding:4px}',
      problems: [],
    });
    expect(safeCss("::part(shop) { font-style: italic }").css).toBe(".shop{font-style:italic}");
    const many = safeCss(
      "body { display: none }\n::part(card) .x { color: red }\n::part(nobody) { color: red }\n::part(card) { color: red }",
    );
    expect(many.css).toBe('.shop [part~="card"]{color:red}');
    expect(many.problems.map(({ line }) => line)).toEqual([1, 2, 3]);
    expect(many.problems[0].message).toMatch(/Begin with ::part/);
    expect(many.problems[2].message).toBe("There is no part “nobody”.");
  });
  test("fetch nothing, leave their place, and end no style element", () => {
    const { css, problems } = safeCss(
      "@import url(https://elsewhere.example/x.css);\n::part(card) { background: url(https://elsewhere.example/p.png); color: red; position: fixed }",
    );
    expect(css).toBe('.shop [part~="card"]{color:red}');
    expect(problems.map(({ message }) => message)).toEqual([
      "@import cannot stand here; @media, @container and @supports can.",
      "Nothing can be fetched from elsewhere (url).",
      "“position” cannot be set here.",
    ]);
    expect(safeCss('::part(title)::after { content: "</style><script>" }').css).not.toMatch(/<\/?(style|script)/);
    expect(safeCss("::part(card) { --x: url(https://e.example) }").css).not.toMatch(/url/);
  });
  test("hold in groups, and misspelt values are said", () => {
    expect(safeCss("@media (min-width: 600px) { ::part(title) { color: blue } p { color: red } }").css).toBe(
      '@media (min-width:600px){.shop [part~="title"]{color:blue}}',
    );
    expect(safeCss("::part(title) { colour: red }").problems[0].message).toMatch(/not known to CSS/);
  });
  test("whatever is written, what comes out names parts alone", () => {
    const pieces = fc.constantFrom(
      "::part(card)",
      "body",
      "{",
      "}",
      "color: red;",
      "url(x)",
      "@media print",
      ":hover",
      "/*",
      "*/",
      "</style>",
      ",",
      "\\",
      '"',
      "(",
      ")",
    );
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 14 }), (parts) => {
        const { css } = safeCss(parts.join(" "));
        for (const [, selector] of css.matchAll(/(?:^|[{}])([^{}@]+)\{/g)) expect(selector).toMatch(/^\.shop/);
        expect(css).not.toMatch(/url\(|<\/style/);
      }),
      { numRuns: 400, seed: 4820 },
    );
  });
  test("the parts that can be named are written down", () =>
    expect(Object.keys(PARTS)).toEqual(expect.arrayContaining(["card", "title", "filter"])));
});

describe("a shop's own style sheet", () => {
  test("tells colours by their names, references resolved, in any notation", () => {
    const read = readTokens(`
      :root { --brand-500: hsl(340 50% 30%); --text-color: #222; --surface: rgb(250, 248, 240); --border-subtle: #ddd;
        --page-bg: white; --link: var(--brand-500); --radius-md: 0.5rem; --font-body: "Source Text", serif; --font-heading: Georgia;
        --base-font-size: 17px; --text-muted: #666; --danger: #b00020 }`);
    expect(read.colours.press).toEqual({ value: "#732640", from: "brand-500" });
    expect(read.colours.ink).toEqual({ value: "#222222", from: "text-color" });
    expect(read.colours.raised).toEqual({ value: "#faf8f0", from: "surface" });
    expect(read.colours.soft?.value).toBe("#666666");
    expect(read.colours.rule?.from).toBe("border-subtle");
    expect(read.colours.loss?.value).toBe("#b00020");
    expect(read.properties.link).toBe("hsl(340 50% 30%)");
    expect(themeOf(read)).toMatchObject({ corner: 8, size: 17, font: '"Source Text", serif', heading: "Georgia" });
  });
  test("survives what it cannot read, and references that go round in circles", () => {
    expect(readTokens("--a: var(--b); --b: var(--a) } {{ :root { --brand: var(--none, #123456) }").colours).toBeDefined();
    expect(readTokens(":root{--a:var(--b);--b:var(--a);--brand:var(--none, #123456)}").colours.press?.value).toBe("#123456");
    expect(themeOf(readTokens("not css at all"))).toEqual({});
  });
});
