import { lookUp } from "@core/records";
import { roleKey } from "../../client";
import type { PropsOf } from "../part-props";
import { badgesOf } from "../product";
import { BadgeList } from "./Badges";

/** The picture, another one under the pointer, and the badges that are on it. */
export function Picture({ part, product, front, fields }: PropsOf<"picture">) {
  const source = lookUp(fields, roleKey(front, "picture") ?? "");
  const second = part.hover ? lookUp(fields, part.hover) : undefined;
  const fit = part.fit === "whole" ? "object-contain" : "object-cover";
  const badges = badgesOf(front, product, fields);
  return (
    <div part="picture" className="shelf-picture relative overflow-hidden rounded-shop bg-raised" style={{ aspectRatio: part.ratio }}>
      {typeof source === "string" && source !== "" && <img src={source} alt="" loading="lazy" className={`size-full ${fit}`} />}
      {typeof second === "string" && second !== "" && (
        <img
          src={second}
          alt=""
          loading="lazy"
          className={`absolute inset-0 size-full bg-raised opacity-0 group-hover/card:opacity-100 group-focus-within/card:opacity-100 ${fit}`}
        />
      )}
      <BadgeList badges={badges.filter(({ place }) => place === "picture-start")} className="absolute top-1.5 left-1.5 items-start" />
      <BadgeList badges={badges.filter(({ place }) => place === "picture-end")} className="absolute top-1.5 right-1.5 items-end" />
    </div>
  );
}
