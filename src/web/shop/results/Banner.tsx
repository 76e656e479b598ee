import type { SearchAnswer } from "@contract/search";
import { lookUp } from "@core/records";
import type { ReactNode } from "react";
import { type Address, START } from "../address";
import { usePlaces } from "../links";
import { Drawing } from "./Drawing";

type Shown = NonNullable<SearchAnswer["banner"]>;

interface Props {
  banner: Shown;
  /** One space of the grid, rather than a line over it. */
  isSpace?: boolean;
  onFollow: (next: Partial<Address>) => void;
}

const TONES: Readonly<Record<string, string>> = {
  press: "bg-press text-on-press",
  gain: "bg-gain text-on-press",
  loss: "bg-loss text-on-press",
  ink: "bg-ink text-paper",
};

/** What a shelf announces. */
export function Banner({ banner, isSpace = false, onFollow }: Props) {
  const tone = lookUp(TONES, banner.tone ?? "") ?? "bg-press-soft";
  const picture = banner.picture ? (
    <img src={banner.picture} alt="" className={isSpace ? "mb-2 w-full object-cover" : "h-24 w-40 shrink-0 object-cover"} />
  ) : banner.drawing ? (
    <Drawing path={banner.drawing} className={isSpace ? "mx-auto mb-2 w-1/2" : "size-14 shrink-0"} />
  ) : null;
  return (
    <Linked
      banner={banner}
      onFollow={onFollow}
      className={`rounded-shop ${tone} ${isSpace ? "flex h-full flex-col justify-center px-4 py-4" : "mb-3 flex items-center gap-4 overflow-hidden px-4 py-3"}`}
    >
      {picture}
      <span className="block min-w-0">
        <span className="t-l block font-head font-semibold">{banner.title}</span>
        {banner.text && <span className="block">{banner.text}</span>}
      </span>
    </Linked>
  );
}

interface LinkedProps extends Pick<Props, "banner" | "onFollow"> {
  className: string;
  children: ReactNode;
}

/** The whole banner is the link, where it leads somewhere. */
function Linked({ banner: { link }, onFollow, className, children }: LinkedProps) {
  const places = usePlaces();
  if (!link)
    return (
      <div part="banner" className={className}>
        {children}
      </div>
    );
  const address = link.to === "page" ? places.guide(link.value) : link.to === "address" ? link.value : undefined;
  // Where nothing has an address, as in the bench, the page is not left either.
  const isNowhere = places.product("") === undefined && !places.open;
  if (address)
    return (
      <a
        part="banner"
        href={address}
        target={isNowhere ? "_blank" : undefined}
        rel="noreferrer"
        className={`${className} text-inherit no-underline`}
      >
        {children}
      </a>
    );
  return (
    <button type="button" part="banner" className={`${className} w-full text-left`} onClick={() => onFollow(toAddress(link))}>
      {children}
    </button>
  );
}

const PATH = " › ";

/** The search or category that a link leads to. */
export function toAddress(link: { to: string; value: string }): Partial<Address> {
  return link.to === "category" ? { category: link.value.split(PATH) } : { ...START, query: link.value };
}
