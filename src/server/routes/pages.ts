import { rmSync } from "node:fs";
import { Page } from "@contract/pages";
import { isRow } from "@core/feed/flatten";
import { keyOf } from "@core/feed/mapping";
import { plainText } from "@core/feed/plain-text";
import { pagesOf } from "@core/index/read";
import { lookUp } from "@core/records";
import type { Engine } from "../engine/engine";
import { formatOf } from "../feed/formats";
import { openTextFile } from "../feed/open-text";
import { readFeed } from "../feed/read-feed";
import { notFound, Problem } from "../http/problem";
import { receive } from "../http/receive";
import { parseWith } from "../http/serve";
import type { SomeHandlers } from "./handlers";

const MOST_PAGES = 20_000;

/** Guides and information pages. */
export function pageHandlers(engine: Engine) {
  return {
    "POST /api/stores/{store}/pages": async ({ params, body }) => {
      const store = engine.store(params.store);
      await store.catalogue.changePages(Array.isArray(body) ? body : [body]);
      return { pages: store.index.pages?.products ?? 0 };
    },
    "POST /api/stores/{store}/pages/feed": async ({ c, params }) => {
      const store = engine.store(params.store);
      const upload = await receive(c, engine.storeFolder(store.row.id));
      try {
        await store.catalogue.changePages(await readPages(upload));
      } finally {
        rmSync(upload, { force: true });
      }
      return { pages: store.index.pages?.products ?? 0 };
    },
    "DELETE /api/stores/{store}/pages/{id}": async ({ params }) => {
      const store = engine.store(params.store);
      if (!pagesOf(store.index).some((page) => page.id === params.id)) throw notFound(`page “${params.id}”`);
      await store.catalogue.changePages([], [params.id]);
    },
  } satisfies SomeHandlers;
}

/** Members under which pages have their parts, in the order in which they are looked for. */
const PARTS: Record<"id" | "title" | "text" | "link" | "picture", string[]> = {
  id: ["id", "guid", "slug"],
  title: ["title", "name", "headline"],
  text: ["text", "content", "content:encoded", "encoded", "body", "articleBody", "description", "summary"],
  link: ["link", "url", "href"],
  picture: ["picture", "image", "image_link", "thumbnail"],
};

async function readPages(upload: string): Promise<Page[]> {
  const pages = new Map<string, Page>();
  for await (const entry of readFeed(upload, formatOf(openTextFile(upload).head))) {
    if (!("row" in entry)) continue;
    const part = (name: keyof typeof PARTS): string => {
      const raw = PARTS[name].map((key) => lookUp(entry.row, key)).find((value) => value !== undefined && value !== null && value !== "");
      return (isRow(raw) ? String(raw.href ?? raw.url ?? "") : Array.isArray(raw) ? String(raw[0]) : String(raw ?? "")).trim();
    };
    const title = oneLine(part("title"));
    if (title === "") continue;
    const page = {
      id: (part("id") || keyOf(title)).slice(0, 120),
      title,
      text: oneLine(part("text")).slice(0, 100_000),
      link: part("link"),
      picture: part("picture") || null,
    };
    pages.set(page.id, parseWith(Page, page));
    if (pages.size > MOST_PAGES) throw new Problem(422, `The file holds more than ${MOST_PAGES} pages.`);
  }
  if (pages.size === 0) throw new Problem(422, "The file holds no page with a title. Give each page a title, a text and a link.");
  return [...pages.values()];
}

const oneLine = (text: string): string => plainText(text).replace(/\s+/g, " ").trim();
