import { Link } from "@core/settings/parts";
import { Select, TextLine } from "@ui/controls";
import { useState } from "react";
import { CategoryChoice } from "../../pieces/CategoryChoice";
import { useGuides } from "../../pieces/useGuides";
import { useOpen } from "../../state/bench";

interface Props {
  value: Link;
  label: string;
  onChange: (value: Link) => void;
}

const TARGETS: readonly { value: Link["to"]; label: string }[] = [
  { value: "category", label: "a category" },
  { value: "search", label: "a search" },
  { value: "page", label: "a guide" },
  { value: "address", label: "an address" },
];
const JOIN = " › ";

/** Where something leads. What leads nowhere yet, such as the beginning of an address, stays here until it does. */
export function LinkForm({ value: taken, label, onChange }: Props) {
  const { front } = useOpen("front");
  const guides = useGuides();
  const of = `${taken.to} ${taken.value}`;
  const [held, setHeld] = useState<{ of: string; link: Link } | null>(null);
  // What was typed over another link is over with it.
  const typed = held?.of === of ? held.link : null;
  const value = typed ?? taken;
  const problem = typed && typed.value !== "" ? Link.safeParse(typed).error?.issues[0].message : undefined;
  const change = (next: Link) => {
    const isWhole = Link.safeParse(next).success;
    setHeld(isWhole ? null : { of, link: next });
    if (isWhole) onChange(next);
  };
  const start = (to: Link["to"]): string =>
    ({ category: front.categories[0]?.path.join(JOIN) ?? "–", search: "", page: guides[0]?.id ?? "–", address: "" })[to];
  return (
    <>
      <Select
        label={`${label}: to what`}
        value={value.to}
        options={TARGETS}
        onChange={(to) => change({ to: to as Link["to"], value: start(to as Link["to"]) })}
        className="w-28"
      />
      {value.to === "category" ? (
        <CategoryChoice
          value={value.value.split(JOIN)}
          label={`${label}: category`}
          onChange={(path) => change({ to: "category", value: path.join(JOIN) })}
        />
      ) : value.to === "page" ? (
        <Select
          label={`${label}: guide`}
          value={value.value}
          options={guides.map(({ id, title }) => ({ value: id, label: title }))}
          onChange={(id) => change({ to: "page", value: id })}
          className="w-56"
        />
      ) : (
        <TextLine
          label={value.to === "search" ? `${label}: search` : `${label}: address`}
          value={value.value}
          placeholder={value.to === "address" ? "https://… or /…" : "what is searched"}
          onCommit={(text) => text.trim() && change({ to: value.to, value: text.trim() })}
          className="w-56"
        />
      )}
      {problem && (
        <p role="alert" className="basis-full text-[12.5px] text-loss">
          {problem}
        </p>
      )}
    </>
  );
}
