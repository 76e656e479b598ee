/** Addresses of the shop's pages. */
export const categoryLink = (store: string, path: readonly string[]) => `/shop/${store}/category/${path.map(encodeURIComponent).join("/")}`;
export const productLink = (store: string, id: string) => `/shop/${store}/product/${encodeURIComponent(id)}`;
