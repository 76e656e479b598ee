/** Addresses that the server answers while the pages come from the development server. */
export const SERVERS = ["/api", "/media", "/public", "/embed", "/site", "/shop"];

/**
 * What the development server gives for an address that begins like one of the server's: a page of the shop is one of its pages, and
 * the sources of shop and embedding lie in folders of such names.
 * @param {string} url path and query @param {string} accept what the browser takes
 * @param {(path: string) => boolean} isSource whether there is a source file at a path
 * @returns {string | undefined} undefined for what the server answers
 */
export function ownAddress(url, accept, isSource) {
  const path = url.split("?")[0];
  if (isSource(path)) return url;
  return path.startsWith("/shop/") && accept.includes("text/html") ? "/shop.html" : undefined;
}
