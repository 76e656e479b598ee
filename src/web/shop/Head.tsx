import { useNavigate, useParams, useSearchParams } from "react-router";
import { type Address, START, toParams } from "./address";
import { SearchBox } from "./box/SearchBox";
import { departments, type PageProps } from "./client";
import { useKept } from "./kept";
import { categoryLink, guideLink, productLink, To, usePlaces } from "./links";
import { useTexts } from "./texts";

/** The top of every page: name, search box, what is saved, departments. */
export function Head({ front, client }: PageProps) {
  const t = useTexts();
  const navigate = useNavigate();
  const places = usePlaces();
  const [params] = useSearchParams();
  const { "*": rest = "" } = useParams();
  const category = rest.startsWith("category/") ? rest.slice("category/".length).split("/").map(decodeURIComponent) : null;
  return (
    <header part="head" className="border-b border-rule">
      <div className="mx-auto flex max-w-[1180px] flex-wrap items-center gap-x-6 gap-y-2 px-4 py-3 sm:px-6">
        <To to={`/shop/${front.id}`} className="t-xl font-head font-bold tracking-tight text-press no-underline">
          {front.name}
        </To>
        <div className="min-w-[260px] flex-1">
          <SearchBox
            client={client}
            front={front}
            value={params.get("q") ?? ""}
            category={category}
            onSearch={(query, within, choice) => {
              const base = within ? categoryLink(front.id, within) : `/shop/${front.id}/search`;
              const filters: Address["filters"] = choice ? { [choice.id]: { any: [choice.value] } } : {};
              void navigate(`${base}?${toParams({ ...START, query, filters })}`);
            }}
            onCategory={(path) => void navigate(categoryLink(front.id, path))}
            onProduct={(id, option) => void navigate(productLink(front.id, id, option))}
            onPage={(id) => void navigate(guideLink(front.id, id))}
          />
        </div>
        <KeptLinks store={front.id} />
      </div>
      <nav aria-label={t("home.departments")} className="t-s mx-auto flex max-w-[1180px] gap-5 overflow-x-auto px-4 pb-2 sm:px-6">
        {departments(front).map((name) => (
          <To key={name} to={places.category([name])} className="whitespace-nowrap text-ink no-underline hover:text-press hover:underline">
            {name}
          </To>
        ))}
      </nav>
    </header>
  );
}

/** What is saved, where there is something. */
function KeptLinks({ store }: { store: string }) {
  const t = useTexts();
  const { basket, remembered, compared } = useKept();
  const lists = [
    { list: "remembered", name: t("kept.remembered"), n: remembered.length },
    { list: "compared", name: t("kept.compared"), n: compared.length },
    { list: "basket", name: t("kept.basket"), n: Object.values(basket).reduce((sum, n) => sum + n, 0) },
  ].filter(({ n }) => n > 0);
  return (
    <div className="t-s flex gap-3 empty:hidden">
      {lists.map(({ list, name, n }) => (
        <To key={list} to={`/shop/${store}/kept/${list}`} className="text-ink no-underline hover:text-press hover:underline">
          {name} <b>{n}</b>
        </To>
      ))}
    </div>
  );
}
