import type { DemandSearch } from "@core/demand/searches";
import { stringify } from "csv-stringify/sync";

const COLUMNS = [
  "search",
  "spellings",
  "asked",
  "asked_before",
  "asked_year_ago",
  "no_results",
  "clicked",
  "mean_position",
  "baskets",
  "orders",
  "revenue",
  "refined",
  "left",
  "lost_orders",
  "new",
];

/** Searches as a table; money in whole units with a point. What shoppers typed is opened in spreadsheets and must not act as a formula. */
export function searchesCsv(searches: readonly DemandSearch[]): string {
  const rows = searches.map(({ text, forms, now, before, yearAgo, lost, isNew }) => [
    text,
    forms.map((form) => form.text).join("|"),
    ...[now.asked, before.asked, yearAgo.asked, now.noResults, now.clicked],
    now.clicks === 0 ? "" : (now.positions / now.clicks).toFixed(2),
    ...[now.basketed, now.ordered, (now.revenue / 100).toFixed(2), now.refined, now.left, lost.toFixed(2), isNew ? "yes" : "no"],
  ]);
  return stringify(rows, { header: true, columns: COLUMNS.map((key, i) => ({ key: String(i), header: key })), escape_formulas: true });
}
