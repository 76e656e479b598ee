/** Where products are seen: categories, results, the panel under the search box, and beside other products. */
export const PLACES = ["browsing", "searching", "typing", "beside"] as const;
