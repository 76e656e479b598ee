import type { Field } from "@contract/fields";
import type { ProductSheet } from "@contract/products";
import { isMoney, isOfFeed, type Value } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import { Button, IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { plural, price } from "@ui/format";
import { ArrowLeft, RotateCcw } from "lucide-react";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { Answered } from "../../ask/Answered";
import { ScreenSkeleton } from "../../ask/Skeleton";
import { useAsk } from "../../ask/useAsk";
import { Empty, Section } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { useOpen } from "../../state/bench";
import { useWindow } from "../../state/window";
import { readTyped } from "./BulkPanel";
import { changeMany } from "./bulk";
import { MeantSearches } from "./MeantSearches";
import { sayValue } from "./ProductTable";

/** All that is known about one product: the feed's values beside those set by hand, its options, the rules that touch it. */
export function ProductSheetPage() {
  const { product: id = "" } = useParams();
  const { store } = useOpen("store");
  const sheet = useAsk("GET /api/stores/{store}/products/{id}/sheet", { params: { id } });
  return (
    <div className="h-full overflow-y-auto px-5 pt-4 pb-10">
      <Link
        to={`/bench/${store.id}/catalogue/products`}
        className="flex items-center gap-1 text-[13px] text-soft no-underline hover:text-ink"
      >
        <ArrowLeft className="size-3.5" /> All products
      </Link>
      <div className="mt-2">
        <Answered of={sheet} loading={<ScreenSkeleton />}>
          {(known) => <Sheet sheet={known} />}
        </Answered>
      </div>
    </div>
  );
}

function Sheet({ sheet }: { sheet: ProductSheet }) {
  const { store, fields, front } = useOpen("store", "fields", "front");
  const { id } = sheet;
  const key = (role: string) => fields.find((field) => field.role === role)?.key ?? "";
  const picture = lookUp(sheet.product.values, key("picture"));
  const filled = fields.filter(
    (field) => lookUp(sheet.product.values, field.key) !== undefined || lookUp(sheet.byHand?.set, field.key) !== undefined,
  );
  const empty = fields.filter((field) => isOfFeed(field) && !filled.includes(field));
  return (
    <>
      <div className="flex items-start gap-3">
        <span className="size-20 shrink-0 overflow-hidden rounded-[3px] bg-raised">
          {typeof picture === "string" && <img src={picture} alt="" className="size-full object-cover" />}
        </span>
        <div className="min-w-0">
          <h1 className="text-[20px]/6">{String(lookUp(sheet.product.values, key("title")) ?? id)}</h1>
          <p className="text-[13px] text-soft">{id}</p>
          <Strength sheet={sheet} store={store.id} />
        </div>
      </div>
      <Section title="Values" note="the feed's, and what was set by hand over it">
        <div className="border-t border-rule">
          {filled.map((field) => (
            <ValueRow key={field.key} field={field} sheet={sheet} store={store.id} />
          ))}
        </div>
        {empty.length > 0 && (
          <details className="text-[13px]">
            <summary className="cursor-pointer py-1.5 font-semibold text-press">{empty.length} fields that are empty</summary>
            {empty.map((field) => (
              <ValueRow key={field.key} field={field} sheet={sheet} store={store.id} />
            ))}
          </details>
        )}
      </Section>
      {sheet.product.options.length > 0 && (
        <Section title="Options" note={`${sheet.product.options.length} of this product`}>
          <ul className="border-t border-rule text-[13px]">
            {sheet.product.options.map((option) => (
              <li key={option.id} className="flex gap-3 border-b border-rule py-1.5">
                <span className="w-28 shrink-0 truncate text-soft">{option.id}</span>
                <span className="min-w-0 flex-1">
                  {fields
                    .filter((field) => lookUp(option.values, field.key) !== undefined && field.role !== "articleNumber")
                    .map((field) => {
                      const value = lookUp(option.values, field.key);
                      return typeof value === "number" && isMoney(field)
                        ? price(value, front.locale, front.currency)
                        : `${field.role === "stock" ? "stock " : ""}${sayValue(value, field)}`;
                    })
                    .join(" · ")}
                </span>
              </li>
            ))}
          </ul>
        </Section>
      )}
      <FoundBy sheet={sheet} />
      <MeantSearches product={id} title={String(lookUp(sheet.product.values, key("title")) ?? id)} meant={sheet.meant} />
      {sheet.rules.length > 0 && (
        <Section title="Rules that touch it">
          <ul className="border-t border-rule text-[13px]">
            {sheet.rules.map((rule) => (
              <li key={rule.part + rule.id} className={`flex gap-3 border-b border-rule py-1.5 ${rule.on ? "" : "text-soft line-through"}`}>
                <b className="font-semibold">{rule.name}</b>
                <span className="text-soft">{rule.does}</span>
              </li>
            ))}
          </ul>
        </Section>
      )}
    </>
  );
}

/** Which frequent searches show the product, and after which searches shoppers took it. */
function FoundBy({ sheet: { found, taken } }: { sheet: ProductSheet }) {
  const tryQuery = useWindow((state) => state.try);
  const line = (search: string, said: string, place: React.ReactNode) => (
    <li key={search} className="flex gap-3 border-b border-rule py-1.5">
      <button type="button" className="font-semibold hover:text-press" onClick={() => tryQuery(search)}>
        {search}
      </button>
      <span className="flex-1 text-soft">{said}</span>
      {place}
    </li>
  );
  if (found.length === 0 && taken.length === 0) {
    return (
      <Section title="Found by">
        <Empty>None of the most asked searches shows it on the first page.</Empty>
      </Section>
    );
  }
  return (
    <>
      {found.length > 0 && (
        <Section title="Found by" note="the most asked searches that show it on their first page">
          <ul className="border-t border-rule text-[13px]">
            {found
              .slice(0, 8)
              .map(({ search, asked, position }) => line(search, `asked ${plural(asked, "time")}`, <span>place {position}</span>))}
          </ul>
        </Section>
      )}
      {taken.length > 0 && (
        <Section title="Taken after" note="searches after which shoppers opened it">
          <ul className="border-t border-rule text-[13px]">
            {taken.map(({ search, clicks, position }) =>
              line(
                search,
                plural(clicks, "click"),
                position === null ? <span className="font-semibold text-loss">not found now</span> : <span>place {position}</span>,
              ),
            )}
          </ul>
        </Section>
      )}
    </>
  );
}

function Strength({ sheet, store }: { sheet: ProductSheet; store: string }) {
  const boost = sheet.byHand?.boost ?? null;
  const set = (factor: number | null) => void changeMany(store, { ids: [sheet.id] }, { boost: factor });
  const step = (by: number) => set(Number(Math.min(100, Math.max(0.01, (boost ?? 1) * by)).toPrecision(3)));
  return (
    <div className="mt-1 flex items-center gap-1.5 text-[13px]">
      {boost !== null && <Diamond />}
      <span className="text-soft">Everywhere</span>
      <Button look="bare" className="!px-1" onClick={() => step(1.2)}>
        raise
      </Button>
      <Button look="bare" className="!px-1" onClick={() => step(1 / 1.2)}>
        lower
      </Button>
      {boost !== null && (
        <>
          <b className="font-semibold">× {boost}</b>
          <IconButton label="Drop the strength set by hand" onClick={() => set(null)}>
            <RotateCcw className="size-3.5" />
          </IconButton>
        </>
      )}
    </div>
  );
}

function ValueRow({ field, sheet, store }: { field: Field; sheet: ProductSheet; store: string }) {
  const isTags = field.role === "tags";
  const isByHand =
    lookUp(sheet.byHand?.set, field.key) !== undefined ||
    (isTags && (sheet.byHand?.addTags.length ?? 0) + (sheet.byHand?.removeTags.length ?? 0) > 0);
  const { front } = useOpen("front");
  const unit = front.fields.find((entry) => entry.key === field.key)?.unit;
  const now = lookUp(sheet.product.values, field.key);
  const feed = lookUp(sheet.feed.values, field.key);
  const [failure, setFailure] = useState<string | null>(null);
  const change = (part: Parameters<typeof changeMany>[2]) =>
    void changeMany(store, { ids: [sheet.id] }, part).then(
      () => setFailure(null),
      (error: Error) => setFailure(error.message),
    );
  const commit = (text: string) => {
    if (isTags) return change(tagChange(text, Array.isArray(now) ? now.map(String) : []));
    const value = readTyped(text, field.type);
    if (value === undefined) return setFailure(`“${text}” is not a value of ${field.label}.`);
    change({ set: { [field.key]: value } });
  };
  return (
    <div className="relative border-b border-rule py-1 text-[13px]">
      {isByHand && <Diamond className="absolute top-3 -left-[13px]" />}
      <div className="grid grid-cols-[128px_minmax(0,1fr)_28px] items-center gap-2">
        <span className="truncate text-soft" title={field.label}>
          {field.label}
          {unit && <small className="ml-1 text-[12px]">in {unit}</small>}
        </span>
        {field.type === "path" ? (
          <span className="border border-transparent px-2 py-1">{sayValue(now, field)}</span>
        ) : (
          <TextLine
            label={field.label}
            value={now === undefined ? "" : editable(now)}
            onCommit={commit}
            className="!border-transparent !bg-transparent hover:!border-rule"
          />
        )}
        {isByHand && (
          <IconButton label={`${field.label}: back to the feed's value`} onClick={() => change({ dropFields: [field.key] })}>
            <RotateCcw className="size-3.5" />
          </IconButton>
        )}
      </div>
      {isByHand && (
        <p className="ml-[136px] text-[12.5px] text-soft">
          set by hand; the feed says <span className="text-ink">{feed === undefined ? "nothing" : sayValue(feed, field)}</span>
        </p>
      )}
      {failure && (
        <p role="alert" className="ml-[136px] text-[12.5px] text-loss">
          {failure}
        </p>
      )}
    </div>
  );
}

function editable(value: Value): string {
  return typeof value === "boolean" ? (value ? "yes" : "no") : Array.isArray(value) ? value.flat().join(", ") : String(value);
}

/** What has to be added and removed for the tags to be those that were typed. */
function tagChange(text: string, now: readonly string[]): { addTags: string[]; removeTags: string[] } {
  const wanted = text
    .split(",")
    .map((tag) => tag.trim())
    .filter(Boolean);
  return { addTags: wanted.filter((tag) => !now.includes(tag)), removeTags: now.filter((tag) => !wanted.includes(tag)) };
}
