import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import type { Front } from "./client";

interface GuideData {
  title: string;
  text: string;
}

export function Guide({ front }: { front: Front }) {
  const { id = "" } = useParams();
  const [guide, setGuide] = useState<GuideData | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    call<GuideData>(`/shop/${front.id}/pages/${encodeURIComponent(id)}/data.json`).then(setGuide, (error: Error) =>
      setFailure(error.message),
    );
  }, [front.id, id]);
  if (failure) return <p className="py-8">{failure}</p>;
  return (
    <article className="max-w-[640px] py-8">
      <h1 className="mb-4 t-xxl">{guide?.title}</h1>
      <p className="t-l">{guide?.text}</p>
    </article>
  );
}
