import { rowsOf } from "@tests/support/feed";
import { XmlMender } from "./mend-xml";

const item = (inner: string) => rowsOf(`<rss><channel><item>${inner}</item></channel></rss>`);

describe("feeds in XML", () => {
  test("an RSS feed with namespaced elements, double names and enclosures", async () => {
    const rss = `<?xml version="1.0"?><rss xmlns:g="http://base.example/ns"><channel><title>Shop</title>
      <item><g:id>1</g:id><title>Rose &amp; thorn</title><g:price>4.50 GBP</g:price><g:image_link>/a.png</g:image_link>
        <media:title>Other</media:title><category>Plants</category><category>Roses</category></item>
      <item><guid>2</guid><title><![CDATA[Spade <b>]]></title><enclosure url="/b.png"/></item></channel></rss>`;
    expect(await rowsOf(rss)).toEqual([
      { id: "1", title: "Rose & thorn", price: "4.50 GBP", image_link: "/a.png", "media:title": "Other", category: ["Plants", "Roses"] },
      { guid: "2", title: "Spade <b>", image: "/b.png" },
    ]);
  });
  test("an Atom feed, and a plain list of products", async () => {
    const atom = '<feed><entry><id>x</id><title>Fork</title><link href="/fork"/></entry></feed>';
    expect(await rowsOf(atom)).toEqual([{ id: "x", title: "Fork", link: "/fork" }]);
    const list = "<products><product><nr>7</nr><size><w>3</w><h>4</h></size></product></products>";
    expect(await rowsOf(list)).toEqual([{ nr: "7", size: { w: "3", h: "4" } }]);
    expect(await rowsOf('<products><product id="1" title="Rose"/></products>')).toEqual([{ id: "1", title: "Rose" }]);
  });
  test("what is no feed, or not closed, is refused with a reason", async () => {
    await expect(rowsOf("<html><body/></html>")).rejects.toThrow("no item, entry or product");
    await expect(rowsOf("<rss><item></rss>")).rejects.toThrow("well-formed");
    await expect(rowsOf("<rss><item><id>1</id></item>")).rejects.toThrow("well-formed");
  });
  test("text with the marks of a web page in it is one text", async () => {
    expect(await item("<id>1</id><description>Nice <b>red</b> rose<br/>for <i>you</i></description>")).toEqual([
      { id: "1", description: "Nice red rose\nfor you" },
    ]);
    expect(await item("<id>1</id><content type='xhtml'><div><p>Nice</p><ul><li>a</li><li>b</li></ul></div></content>")).toEqual([
      { id: "1", content: "Nice\na\nb" },
    ]);
    expect(await item("<id>1</id><specs><code>7</code><size><w>4</w></size></specs>")).toEqual([
      { id: "1", specs: { code: "7", size: { w: "4" } } },
    ]);
  });
  test("signs that stand for themselves and characters by their names cost nothing", async () => {
    const link = "https://shop.example/?a=1&b=2&copy=3";
    expect(
      await item(`<title>Salt & pepper, R&eacute;d &amp; &#8364; &lt;5</title><link><![CDATA[${link}]]></link><g:image>${link}</g:image>`),
    ).toEqual([{ title: "Salt & pepper, Réd & € <5", link, image: link }]);
    expect(await item('<id>1</id><link href="/a?b=1&c=2"/><title>Rose\u0007\u000B &#7; red</title>')).toEqual([
      { id: "1", link: "/a?b=1&c=2", title: expect.stringMatching(/^Rose +\S* *red$/) },
    ]);
  });
});

describe("what is mended in XML", () => {
  const text = "<a>x & y &eacute; &amp;&lt; &foo; &#39;</a><![CDATA[a & b ]] ]> &eacute;]]><b c='&'>&</b> &";
  const mended = "<a>x &amp; y é &amp;&lt; &amp;foo; '</a><![CDATA[a & b ]] ]> &eacute;]]><b c='&amp;'>&amp;</b> &amp;";

  test("is all but what is between the signs of plain text", () => {
    const mender = new XmlMender();
    expect(mender.write(text) + mender.end()).toBe(mended);
  });
  test("is the same wherever the text is cut", () => {
    for (let first = 0; first <= text.length; first++) {
      for (const second of [first + 1, first + 3, text.length]) {
        const mender = new XmlMender();
        const parts = [text.slice(0, first), text.slice(first, second), text.slice(Math.min(second, text.length))];
        expect(parts.map((part) => mender.write(part)).join("") + mender.end()).toBe(mended);
      }
    }
  });
  test("does not wait for the end of a name that is none", () => {
    const mender = new XmlMender();
    expect(mender.write(`a & ${"b".repeat(60)}`)).toBe(`a &amp; ${"b".repeat(60)}`);
  });
});
