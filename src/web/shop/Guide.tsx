import type { ShopFront } from "@contract/search";
import { useParams } from "react-router";
import { askShop } from "./client";
import { useLoaded } from "./useLoaded";

export function Guide({ front }: { front: ShopFront }) {
  const { id = "" } = useParams();
  const { answer: guide, failure } = useLoaded(`${front.id}/${id}`, (signal) =>
    askShop(`/shop/${front.id}`)("GET /pages/{id}/data.json", { params: { id }, signal }),
  );
  if (failure) return <p className="py-8">{failure}</p>;
  return (
    <article className="max-w-[640px] py-8">
      <h1 className="mb-4 t-xxl">{guide?.title}</h1>
      <p className="t-l">{guide?.text}</p>
    </article>
  );
}
