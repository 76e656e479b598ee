import { followLocale } from "@ui/format";
import { useEffect, useMemo } from "react";
import { Route, Routes, useNavigate, useParams } from "react-router";
import { askShop, liveClient } from "./client";
import { Guide } from "./Guide";
import { Head } from "./Head";
import { Home } from "./Home";
import { KeptList } from "./KeptList";
import { KeptContext } from "./kept";
import { PlacesContext, shopPlaces } from "./links";
import { ProductPage } from "./product/ProductPage";
import { SearchPage } from "./SearchPage";
import { ShopRoot } from "./ShopRoot";
import { useTexts } from "./texts";
import { useLoaded } from "./useLoaded";
import { useStoredKept } from "./useStoredKept";

/** The demo shop: what shoppers see, always from what is live. */
export function Shop() {
  const { store = "" } = useParams();
  const navigate = useNavigate();
  const { answer: front, failure } = useLoaded(store, async (signal) => {
    const loaded = await askShop(`/shop/${store}`)("GET /front.json", { signal });
    followLocale(loaded.locale);
    return loaded;
  });
  const places = useMemo(() => shopPlaces(store, (address) => void navigate(address)), [store, navigate]);
  const kept = useStoredKept(store);
  useEffect(() => {
    if (front) document.title = front.name;
  }, [front]);
  const client = useMemo(() => liveClient(`/shop/${store}`, front?.language ?? "en"), [store, front?.language]);
  if (failure) return <p className="shop min-h-full p-8">{failure}</p>;
  if (!front) return <div className="shop min-h-full" />;
  const pages = { front, client };
  return (
    <PlacesContext value={places}>
      <KeptContext value={kept}>
        <ShopRoot front={front} className="min-h-full">
          <Head {...pages} />
          <main className="mx-auto max-w-[1180px] px-4 pb-16 sm:px-6">
            <Routes>
              <Route index element={<Home {...pages} />} />
              <Route path="search" element={<SearchPage {...pages} />} />
              <Route path="category/*" element={<SearchPage {...pages} />} />
              <Route path="product/:id" element={<ProductPage front={front} />} />
              <Route path="guide/:id" element={<Guide front={front} />} />
              <Route path="kept/:list" element={<KeptList front={front} />} />
              <Route path="*" element={<NoPage />} />
            </Routes>
          </main>
        </ShopRoot>
      </KeptContext>
    </PlacesContext>
  );
}

function NoPage() {
  const t = useTexts();
  return <p className="py-10">{t("shop.no-page")}</p>;
}
