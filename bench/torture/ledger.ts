import { importFeed, type Server } from "./server";

const STORE = "/api/stores/corner";
const KEYS = 12;
const PRODUCTS = 20;

/** One thing that is written again and again with growing numbers. */
interface Entry {
  /** The last number that was answered with success. */
  acknowledged: number;
  /** The last that was sent. */
  sent: number;
}

type Draft = { settings: { words: Record<string, { words: string[] }> } };

/**
 * Writes to every part of a store that answers only once it is kept, and remembers what was acknowledged: after whatever happens, each
 * thing must have a number from the last that was acknowledged to the last that was sent.
 */
export class Ledger {
  private readonly entries = new Map<string, Entry>();
  private number = 0;
  writes = 0;
  private isOn = false;

  /** Writes by several hands until the server is gone or they are told to stop. */
  async write(server: Server, random: () => number): Promise<void> {
    this.isOn = true;
    const hand = async (step: () => Promise<void>) => {
      while (this.isOn && !server.hasEnded) {
        // A connection that breaks is what this is about.
        await step().catch(() => new Promise((done) => setTimeout(done, 5)));
      }
    };
    const one = (count: number) => Math.floor(random() * count);
    await Promise.all([
      hand(() => (one(40) === 0 ? this.release(server) : this.edit(server, `w${one(KEYS)}`))),
      hand(() => this.product(server, `A${one(PRODUCTS)}`)),
      hand(() => (one(3) === 0 ? this.origins(server) : this.page(server, `g${one(KEYS)}`))),
      hand(() => this.import(server)),
    ]);
  }

  /** What was acknowledged and sent by now. */
  copy(): Ledger {
    const copy = new Ledger();
    for (const [key, entry] of this.entries) copy.entries.set(key, { ...entry });
    return copy;
  }

  /** From what was acknowledged here to what was sent by a later moment. */
  until(later: Ledger): Ledger {
    const both = later.copy();
    for (const [key, entry] of both.entries) entry.acknowledged = this.entries.get(key)?.acknowledged ?? 0;
    return both;
  }

  stop(): void {
    this.isOn = false;
  }

  private async keep(key: string, write: (number: number) => Promise<number>): Promise<void> {
    const number = ++this.number;
    const entry = this.entries.get(key) ?? { acknowledged: 0, sent: 0 };
    this.entries.set(key, entry);
    entry.sent = number;
    const status = await write(number);
    if (status >= 200 && status < 300) {
      entry.acknowledged = number;
      this.writes++;
    }
  }

  private edit(server: Server, key: string): Promise<void> {
    return this.keep(`word ${key}`, async (number) => {
      const { headers } = await server.call("GET", `${STORE}/draft?pointer=/misspelling`);
      const value = { does: "synonym", words: [`a${number}`, `b${number}`] };
      const patch = { "content-type": "application/json-patch+json", "if-match": headers.get("etag") ?? "" };
      const text = JSON.stringify([{ op: "add", path: `/words/${key}`, value }]);
      return (await server.call("PATCH", `${STORE}/draft`, text, patch)).status;
    });
  }

  private release(server: Server): Promise<void> {
    return this.keep("release", async (number) => (await server.call("POST", `${STORE}/releases`, { note: String(number) })).status);
  }

  private product(server: Server, id: string): Promise<void> {
    return this.keep(`product ${id}`, async (number) => {
      const values = { price: number, title: `Rose number ${number}` };
      return (await server.call("PATCH", `${STORE}/products/${id}`, { values })).status;
    });
  }

  private page(server: Server, id: string): Promise<void> {
    return this.keep(`page ${id}`, async (number) => {
      const page = { id, title: `Guide ${number}`, text: `Text ${number}` };
      return (await server.call("POST", `${STORE}/pages`, page)).status;
    });
  }

  private origins(server: Server): Promise<void> {
    return this.keep("origins", async (number) => {
      const body = { origins: [`https://shop${number}.example`] };
      return (await server.call("PUT", `${STORE}/embedding`, body, { "if-match": "*" })).status;
    });
  }

  /** Other products than those that are changed by hand. */
  private async import(server: Server): Promise<void> {
    const number = ++this.number;
    const lines = Array.from({ length: 30 }, (_, i) => `W${i},Weed ${number},Weeds,1,1,`);
    await importFeed(server, "corner", `id,title,category,price,stock,colour\n${lines.join("\n")}\n`, "format=csv&mode=merge");
  }

  /** What is not as it was acknowledged, in words. */
  async check(server: Server): Promise<string[]> {
    const wrong: string[] = [];
    const see = (key: string, numbers: readonly number[]) => {
      const { acknowledged, sent } = this.entries.get(key) ?? { acknowledged: 0, sent: 0 };
      const [number = 0] = numbers;
      if (new Set(numbers).size > 1) wrong.push(`${key} is there by half: ${numbers.join(", ")}`);
      else if (number < acknowledged || number > sent) wrong.push(`${key} is at ${number}, acknowledged was ${acknowledged}, sent ${sent}`);
      else if (number > 0) this.entries.set(key, { acknowledged: number, sent });
    };
    const numbersIn = (...texts: string[]) => texts.map((text) => Number(/\d+$/.exec(text)?.[0] ?? 0));
    const get = async <T>(path: string) => (await server.call("GET", STORE + path)).body as T;

    const { words } = (await get<Draft>("/draft")).settings;
    const pages = new Map((await get<{ id: string; title: string; text: string }[]>("/pages")).map((page) => [page.id, page]));
    for (const key of this.entries.keys()) {
      const [kind, id] = key.split(" ");
      if (kind === "word") see(key, numbersIn(...(words[id]?.words ?? [])));
      if (kind === "product") {
        const { values } = await get<{ values: { title: string; price: number } }>(`/products/${id}`);
        see(key, [values.price, ...numbersIn(values.title)]);
      }
      if (kind === "page") see(key, numbersIn(pages.get(id)?.title ?? "", pages.get(id)?.text ?? ""));
    }
    if (this.entries.has("release"))
      see("release", numbersIn(...(await get<{ note: string }[]>("/releases")).slice(0, 1).map(({ note }) => note)));
    if (this.entries.has("origins")) {
      const { origins } = await get<{ origins: string[] }>("/embedding");
      see("origins", numbersIn(...origins.map((origin) => origin.replace(".example", ""))));
    }
    const { body } = await server.call("POST", `${STORE}/search`, { query: "rose" });
    if ((body as { total: number }).total < PRODUCTS) wrong.push(`a search finds ${(body as { total: number }).total} products`);
    return wrong;
  }
}
