import type { SearchAnswer } from "@core/search/request";
import { call, type HttpError, isAborted } from "@ui/http";
import { type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import { Link, Route, Routes, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { type Address, fromParams, START, toParams, toRequest } from "./address";
import { Card } from "./Card";
import { cardFields, type Front, liveClient, roleKey, type ShopClient } from "./client";
import { Guide } from "./Guide";
import { categoryLink, productLink } from "./links";
import { ProductPage } from "./ProductPage";
import { Results } from "./Results";
import { SearchBox } from "./SearchBox";
import { type Say, sayIn, TextsContext, useTexts } from "./texts";
import { record } from "./visit";

/** The demo shop: what shoppers see, always from what is live. */
export default function Shop() {
  const { store = "" } = useParams();
  const [front, setFront] = useState<Front | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const client = useMemo(() => liveClient(store), [store]);
  useEffect(() => {
    call<Front>(`/shop/${store}/front.json`).then(setFront, (error: HttpError) => setFailure(error.message));
  }, [store]);
  useEffect(() => {
    if (front) document.title = front.name;
  }, [front]);
  if (failure) return <p className="shop min-h-full p-8">{failure}</p>;
  if (!front) return <div className="shop min-h-full" />;
  const t = sayIn(front.locale);
  return (
    <TextsContext value={t}>
      <div className="shop min-h-full text-[15px]/[22px]" lang={front.locale}>
        <Head front={front} client={client} />
        <main className="mx-auto max-w-[1180px] px-4 pb-16 sm:px-6">
          <Routes>
            <Route index element={<Home front={front} client={client} />} />
            <Route path="search" element={<SearchPage front={front} client={client} />} />
            <Route path="category/*" element={<SearchPage front={front} client={client} />} />
            <Route path="product/:id" element={<ProductPage front={front} />} />
            <Route path="guide/:id" element={<Guide front={front} />} />
            <Route path="*" element={<p className="py-10">{t("There is no such page in this shop.")}</p>} />
          </Routes>
        </main>
      </div>
    </TextsContext>
  );
}

interface PageProps {
  front: Front;
  client: ShopClient;
}

function Head({ front, client }: PageProps) {
  const t = useTexts();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  return (
    <header className="border-b border-rule">
      <div className="mx-auto flex max-w-[1180px] flex-wrap items-center gap-x-8 gap-y-2 px-4 py-3 sm:px-6">
        <Link to={`/shop/${front.id}`} className="font-head text-[21px] font-bold tracking-tight text-press no-underline">
          {front.name}
        </Link>
        <div className="min-w-[260px] flex-1">
          <SearchBox
            client={client}
            front={front}
            value={params.get("q") ?? ""}
            onSearch={(query) => navigate(`/shop/${front.id}/search?${new URLSearchParams({ q: query })}`)}
            onCategory={(path) => navigate(categoryLink(front.id, path))}
            onProduct={(id) => navigate(productLink(front.id, id))}
            onPage={(id) => navigate(`/shop/${front.id}/guide/${id}`)}
          />
        </div>
      </div>
      <nav aria-label={t("Departments")} className="mx-auto flex max-w-[1180px] gap-5 overflow-x-auto px-4 pb-2 text-[14px] sm:px-6">
        {departments(front).map((name) => (
          <Link
            key={name}
            to={categoryLink(front.id, [name])}
            className="whitespace-nowrap text-ink no-underline hover:text-press hover:underline"
          >
            {name}
          </Link>
        ))}
      </nav>
    </header>
  );
}

const ON_HOME = 8;

function Home({ front, client }: PageProps) {
  const t = useTexts();
  const [best, setBest] = useState<SearchAnswer | null>(null);
  const [pictures, setPictures] = useState(new Map<string, string>());
  const tops = departments(front);
  useEffect(() => {
    const controller = new AbortController();
    const bestOf = (category: string[] | null, limit: number, fields: string[]) =>
      client.search({ placement: "category", category, sort: "bestselling", limit, fields }, controller.signal);
    bestOf(null, ON_HOME, cardFields(front)).then(setBest, () => undefined);
    // Each department shows what sells best in it.
    const picture = roleKey(front, "picture") ?? "";
    const take = async (name: string) => [name, String((await bestOf([name], 1, [picture])).hits[0]?.fields[picture] ?? "")] as const;
    Promise.all(departments(front).map(take)).then(
      (found) => setPictures(new Map(found)),
      () => undefined,
    );
    return () => controller.abort();
  }, [client, front]);
  return (
    <div className="@container">
      <section className="pt-8 pb-6">
        <h1 className="max-w-[640px] text-[30px]/9 sm:text-[36px]/[42px]">{sayRange(tops, front.locale, t)}</h1>
      </section>
      <section aria-label={t("Departments")} className="grid grid-cols-2 gap-2 border-y border-rule py-5 sm:grid-cols-3 lg:grid-cols-5">
        {tops.map((name) => (
          <Link
            key={name}
            to={categoryLink(front.id, [name])}
            className="flex h-14 items-center gap-3 overflow-hidden rounded bg-raised pr-3 font-semibold text-ink no-underline hover:text-press hover:underline"
          >
            <span className="size-14 shrink-0 bg-rule/40">
              {pictures.get(name) && <img src={pictures.get(name)} alt="" className="size-full object-cover" />}
            </span>
            {name}
          </Link>
        ))}
      </section>
      <h2 className="mt-6 mb-3 text-[20px]">{t("Selling well this month")}</h2>
      <ul className="grid min-h-[520px] grid-cols-2 gap-4 sm:grid-cols-4">
        {best?.hits.map((hit) => (
          <li key={hit.id}>
            <Card product={hit} front={front} to={productLink(front.id, hit.id)} />
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Names of the top categories, the largest first. */
function departments(front: Front): string[] {
  return front.categories.filter(({ path }) => path.length === 1).map(({ path }) => path[0]);
}

/** "Plants, seeds, bulbs and 10 departments more." */
function sayRange(names: readonly string[], locale: string, t: Say): string {
  if (names.length < 4) return names.join(" + ") || t("Everything we sell");
  const [first, ...others] = names.slice(0, 3);
  // German writes nouns with a capital wherever they stand.
  const rest = locale.startsWith("de") ? others : others.map((name) => name.toLowerCase());
  return t("{names} and {n} departments more.", { names: [first, ...rest].join(", "), n: names.length - 3 });
}

function SearchPage({ front, client }: PageProps) {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const location = useLocation();
  const { "*": rest = "" } = useParams();
  const isCategory = location.pathname.startsWith(`/shop/${front.id}/category/`);
  const category = isCategory && rest ? rest.split("/").map(decodeURIComponent) : null;
  const key = `${location.pathname}?${params}`;
  const address = fromParams(params, category);
  const [answer, setAnswer] = useState<SearchAnswer | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const latest = useRef(address);
  latest.current = address;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the address, which is new at each drawing
  useEffect(() => {
    const controller = new AbortController();
    client.search(toRequest(latest.current, cardFields(front), front.chosen), controller.signal).then(
      (found) => {
        setFailure(null);
        setAnswer(found);
        record(front.id, { kind: "search", searchId: found.searchId, query: latest.current.query });
      },
      (error) => {
        if (!isAborted(error)) setFailure((error as HttpError).message);
      },
    );
    return () => controller.abort();
  }, [key, client, front]);
  const change = (next: Address) => {
    const base = next.category ? categoryLink(front.id, next.category) : `/shop/${front.id}/search`;
    navigate(`${base}?${toParams(next)}`);
  };
  if (failure) return <p className="py-8 text-loss">{failure}</p>;
  if (!answer) return <div className="min-h-[80vh]" />;
  return (
    <div className="pt-4">
      <Results
        answer={answer}
        front={front}
        address={address}
        onChange={change}
        productLink={(id) => productLink(front.id, id)}
        onOpenProduct={(hit) =>
          record(front.id, { kind: "click", searchId: answer.searchId, query: address.query, product: hit.id, position: hit.position })
        }
        heading={
          <Heading
            front={front}
            address={address}
            answer={answer}
            onSearch={(query) => change({ ...START, query })}
            onAsTyped={() => change({ ...address, page: 1, asTyped: true })}
          />
        }
      />
    </div>
  );
}

function Heading({
  front,
  address,
  answer,
  onSearch,
  onAsTyped,
}: {
  front: Front;
  address: Address;
  answer: SearchAnswer;
  onSearch: (query: string) => void;
  onAsTyped: () => void;
}): ReactNode {
  const t = useTexts();
  const correction = answer.query.steps.find((step) => step.kind === "correction");
  const nearColour = answer.query.steps.find((step) => step.kind === "colour");
  return (
    <div className="mb-3">
      {address.category && (
        <nav aria-label="Path" className="text-[13px] text-soft">
          {address.category.slice(0, -1).map((label, i) => (
            <span key={label}>
              <Link to={categoryLink(front.id, address.category?.slice(0, i + 1) ?? [])} className="text-soft">
                {label}
              </Link>{" "}
              ›{" "}
            </span>
          ))}
        </nav>
      )}
      <h1 className="text-[26px]/8">
        {address.category ? address.category.at(-1) : address.query ? `“${address.query}”` : t("Everything")}
      </h1>
      {correction && (
        <p className="text-soft">
          {t("Showing {searched}; you typed {typed}.", { searched: answer.query.searched, typed: answer.query.typed })}{" "}
          <button type="button" onClick={onAsTyped} className="font-semibold text-press">
            {t("Search for {typed} instead", { typed: answer.query.typed })}
          </button>
        </p>
      )}
      {nearColour && (
        <p className="text-soft">
          {t("We have no {from}; the nearest colour is {to}.", { from: nearColour.from, to: nearColour.to ?? "" })}
        </p>
      )}
      {answer.query.didYouMean.length > 0 && (
        <p className="text-soft">
          {t("Did you mean")}{" "}
          {answer.query.didYouMean.map((text) => (
            <button key={text} type="button" onClick={() => onSearch(text)} className="mr-2 font-semibold text-press">
              {text}
            </button>
          ))}
        </p>
      )}
      {address.category && <SubCategories front={front} path={address.category} />}
    </div>
  );
}

function SubCategories({ front, path }: { front: Front; path: string[] }) {
  const children = front.categories.filter(
    (entry) => entry.path.length === path.length + 1 && path.every((label, i) => entry.path[i] === label),
  );
  if (children.length === 0) return null;
  return (
    <div className="mt-1.5 flex flex-wrap gap-1.5">
      {children.map((child) => (
        <Link
          key={child.path.join()}
          to={categoryLink(front.id, child.path)}
          className="rounded-full border border-rule px-3 py-0.5 text-[14px] text-ink no-underline hover:border-press"
        >
          {child.path.at(-1)}
        </Link>
      ))}
    </div>
  );
}
