import { rmSync } from "node:fs";
import { isRow } from "@core/feed/flatten";
import { keyOf } from "@core/feed/mapping";
import { plainText } from "@core/feed/plain-text";
import { pagesOf } from "@core/index/read";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import { formatOf } from "../feed/formats";
import { openTextFile } from "../feed/open-text";
import { readFeed } from "../feed/read-feed";
import type { Api } from "../http/api";
import { parseWith } from "../http/api";
import { notFound, Problem } from "../http/problem";
import { receive } from "../http/receive";
import { PageShape } from "./shapes";

const PageList = z.union([PageShape, z.array(PageShape).max(10_000)]);
const PageCount = z.strictObject({ pages: z.number().int() }).meta({ id: "PageCount" });
const MOST_PAGES = 20_000;

/** Guides and information pages. */
export function pageRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/pages",
      summary: "Guides and information pages",
      answers: { status: 200, schema: z.array(PageShape) },
      handle: ({ param }) => pagesOf(engine.store(param("store")).index),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/pages",
      summary: "Put guides and information pages in",
      body: PageList,
      answers: { status: 200, schema: PageCount },
      handle: ({ param, body }) => {
        const store = engine.store(param("store"));
        store.changePages(Array.isArray(body) ? body : [body]);
        return { pages: store.index.pages?.products ?? 0 };
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/pages/feed",
      summary: "Import pages from a file of any format that products come in",
      accepts: "*",
      answers: { status: 200, schema: PageCount },
      handle: async ({ c, param }) => {
        const store = engine.store(param("store"));
        const upload = await receive(c, engine.storeFolder(store.row.id));
        try {
          store.changePages(await readPages(upload));
        } finally {
          rmSync(upload, { force: true });
        }
        return { pages: store.index.pages?.products ?? 0 };
      },
    })
    .route({
      method: "delete",
      path: "/api/stores/{store}/pages/{id}",
      summary: "Take a page out",
      answers: { status: 204 },
      handle: ({ c, param }) => {
        const store = engine.store(param("store"));
        if (!pagesOf(store.index).some((page) => page.id === param("id"))) throw notFound(`page “${param("id")}”`);
        store.changePages([], [param("id")]);
        return c.body(null, 204);
      },
    });
}

/** Members under which pages have their parts, in the order in which they are looked for. */
const PARTS: Record<"id" | "title" | "text" | "link" | "picture", string[]> = {
  id: ["id", "guid", "slug"],
  title: ["title", "name", "headline"],
  text: ["text", "content", "content:encoded", "encoded", "body", "articleBody", "description", "summary"],
  link: ["link", "url", "href"],
  picture: ["picture", "image", "image_link", "thumbnail"],
};

async function readPages(upload: string): Promise<z.output<typeof PageShape>[]> {
  const pages = new Map<string, z.output<typeof PageShape>>();
  for await (const entry of readFeed(upload, formatOf(openTextFile(upload).head))) {
    if (!("row" in entry)) continue;
    const part = (name: keyof typeof PARTS): string => {
      const raw = PARTS[name].map((key) => entry.row[key]).find((value) => value !== undefined && value !== null && value !== "");
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
    pages.set(page.id, parseWith(PageShape, page));
    if (pages.size > MOST_PAGES) throw new Problem(422, `The file holds more than ${MOST_PAGES} pages.`);
  }
  if (pages.size === 0) throw new Problem(422, "The file holds no page with a title. Give each page a title, a text and a link.");
  return [...pages.values()];
}

const oneLine = (text: string): string => plainText(text).replace(/\s+/g, " ").trim();
