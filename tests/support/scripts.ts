import { gzipSync } from "node:zlib";
import type { Page } from "playwright-core";

/** Notes the scripts that a page loads. */
export function watchScripts(page: Page) {
  const loads: Promise<[path: string, size: number]>[] = [];
  page.on("response", (response) => {
    const { pathname } = new URL(response.url());
    if (!pathname.endsWith(".js")) return;
    // What the page leaves before it came counts for nothing.
    loads.push(
      response.body().then(
        (body) => [pathname, gzipSync(body).length],
        () => [pathname, 0],
      ),
    );
  });
  return {
    /** Their compressed sizes in bytes by path, each once: all that were asked for, however late they come. */
    sizes: async () => new Map(await Promise.all(loads)),
    /** From now on only what is loaded anew counts. */
    clear: () => {
      loads.length = 0;
    },
  };
}

export const sumOf = (sizes: Iterable<number>): number => [...sizes].reduce((sum, size) => sum + size, 0);
