import type { Shelf } from "@core/settings/shelf";
import { TextLine } from "@ui/controls";
import { day } from "@ui/format";
import { KeepingForm } from "../../pieces/KeepingForm";
import type { ShelfChange } from "../edits";
import { BannerForm } from "./BannerForm";
import type { Fold } from "./Folds";
import { ForForm } from "./ForForm";
import { RedirectForm } from "./RedirectForm";
import { RuleRows } from "./RuleRows";
import { sayFor, sayRedirect, sayRule, sayWhen } from "./say";
import { WhenForm } from "./WhenForm";

export type Part = "for" | "when" | "rules" | "banner" | "redirect" | "keeping";

/** All that can be said of a shelf besides what is on it. @param query the search being tried. */
export function foldsOf(shelf: Shelf, id: string | null, query: string, change: ShelfChange): Fold<Part>[] {
  const rules = Object.values(shelf.rules);
  const { banner, redirect } = shelf;
  const kept = [shelf.owner, shelf.review && `review ${day(shelf.review)}`, shelf.note].filter(Boolean).join(" · ");
  const when = sayWhen(shelf);
  return [
    { id: "for", name: "Applies to", says: sayFor(shelf), isPlain: false, content: <ForForm shelf={shelf} onChange={change} /> },
    { id: "when", name: "When", says: when, isPlain: when === "always", content: <WhenForm shelf={shelf} onChange={change} /> },
    {
      id: "rules",
      name: "Rules",
      says: rules.length === 0 ? "none" : rules.map(sayRule).join(", "),
      isPlain: rules.length === 0,
      content: <RuleRows shelf={shelf} onChange={change} />,
    },
    {
      id: "banner",
      name: "Banner",
      says: banner ? Object.values(banner.title)[0] || "without a title" : "none",
      isPlain: banner === null,
      content: <BannerForm key={id} banner={banner} onChange={change} />,
    },
    {
      id: "redirect",
      name: "Redirect",
      says: redirect ? `to ${sayRedirect(redirect)}` : "none",
      isPlain: redirect === null,
      content: <RedirectForm key={id} id={id} redirect={redirect} query={query} onChange={change} />,
    },
    {
      id: "keeping",
      name: "Owner",
      says: kept || "nobody",
      isPlain: kept === "",
      content: (
        <div className="flex flex-wrap items-center gap-2 py-2">
          <KeepingForm value={shelf} onChange={(part) => void change((was) => ({ ...was, ...part }))} />
          <TextLine
            label="Note"
            value={shelf.note}
            placeholder="Why it is there"
            onCommit={(note) => void change((was) => ({ ...was, note: note.trim() }))}
            className="w-full"
          />
        </div>
      ),
    },
  ];
}
