import { columnFacts } from "./column-facts";
import { plainText } from "./plain-text";
import { proposeShape } from "./shapes";
import { PLAIN_SHAPE, readValue } from "./values";

describe("a text without the marks of a web page", () => {
  test.each([
    ["Rose", "Rose"],
    ["<p>Nice <b>red</b> rose</p>", " Nice red rose "],
    ["Smells <b>sweet</b>.", "Smells sweet."],
    ["a <script>if (x < 3) y()</script> b <!-- c --> d", "a b d"],
    ["Marie&#39;s &amp; Tom&#x27;s caf&eacute;", "Marie's & Tom's café"],
    ["from&nbsp;4&nbsp;&euro;, soft&shy;ly", "from 4 €, softly"],
    ["Gieß\u00ADkanne\uFEFF", "Gießkanne"],
    ["Salt & pepper; 3 < 5 > 2; R&D; a&b;c", "Salt & pepper; 3 < 5 > 2; R&D; a&b;c"],
    ["https://shop.example/?a=1&amp;copy=2&copy=3", "https://shop.example/?a=1&copy=2&copy=3"],
    ["&unknown; &amp", "&unknown; &amp"],
    ["up to <max 30 and <b", "up to <max 30 and <b"],
    ["a <!-- b", "a <!-- b"],
    ["a <style>.x {", "a .x {"],
    ["a</b", "a</b"],
    ['<a title="x > y">link</a>!', " link!"],
    ["<?php x ?>rose<!DOCTYPE html>", " rose "],
    ["<SCRIPT>a</b>c</SCRIPT>d", " d"],
  ])("%j is %j", (raw, plain) => {
    expect(plainText(raw)).toBe(plain);
  });
  test("is the same when it is read again, whatever is written in what", () => {
    expect(plainText("&lt;p&gt;Nice&lt;/p&gt; &amp;eacute; &amp;amp;amp; x")).toBe(" Nice é & x");
    const pieces = [
      "&amp;",
      "amp;",
      "&lt;",
      "&gt;",
      "<",
      ">",
      "p",
      "/p",
      "b c",
      "&eacute;",
      "&#60;",
      "&nbsp;",
      " ",
      ";",
      "&",
      "5",
      "<!--",
      "-->",
      "script",
    ];
    let seed = 7;
    const next = (most: number) => {
      seed = (seed * 48271) % 0x7fffffff;
      return seed % most;
    };
    for (let i = 0; i < 20_000; i++) {
      const raw = Array.from({ length: 1 + next(9) }, () => pieces[next(pieces.length)]).join("");
      const plain = plainText(raw);
      expect(plainText(plain)).toBe(plain);
    }
  });
  test("is what values of every type are read from", () => {
    const read = (raw: unknown, shape: object) => readValue(raw, { ...PLAIN_SHAPE, ...shape }).value;
    expect(read("Home &gt; Beds &amp; Borders", { type: "path", separator: ">" })).toEqual([["Home", "Beds & Borders"]]);
    expect(read("Salt &amp; pepper;Caf&eacute;", { type: "list", separator: ";" })).toEqual(["Salt & pepper", "Café"]);
    expect(read(["Salt &amp; pepper"], { type: "list" })).toEqual(["Salt & pepper"]);
    expect(read("1&nbsp;234,50&nbsp;&euro;", { type: "number", decimal: "," })).toBe(1234.5);
    expect(read("caf&eacute;", { type: "keyword" })).toBe("café");
  });
  test("is what the type of a column is told from", () => {
    const shapeOf = (texts: string[]) => proposeShape("x", columnFacts(texts, texts.length), null);
    expect(shapeOf(["Marie&#39;s", "Tom&#39;s", "Caf&eacute;"])).toMatchObject({ type: "keyword", separator: null });
    expect(shapeOf(["3,50&nbsp;&euro;", "12,00&nbsp;&euro;"])).toMatchObject({ type: "number", decimal: "," });
  });
});
