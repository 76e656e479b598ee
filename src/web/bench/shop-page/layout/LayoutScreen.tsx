import { CONTENT_KINDS, type Page } from "@core/settings/page";
import { Checkbox } from "@ui/controls";
import { Link } from "react-router";
import { Screen, Section } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { Line, Lines } from "../../pieces/Lines";
import { useOpen } from "../../state/bench";
import { setPage } from "../edits";
import { CategoryLayouts } from "./CategoryLayouts";
import { LayoutForm } from "./LayoutForm";
import { Sorts } from "./Sorts";
import { StartForm } from "./StartForm";

const LEAD = "How results are shown, at each width and in each category, and what is there before anything is searched.";

/** Grid or list, paging, orders, the start, and which kinds of content are found. */
export default function LayoutScreen() {
  const { settings, live } = useOpen("settings", "live");
  const { page } = settings;
  const isDraft = (key: keyof Page) => JSON.stringify(page[key]) !== JSON.stringify(live.page[key]);
  const mark = (key: keyof Page) => isDraft(key) && <Diamond className="absolute top-4 -left-[13px]" />;
  return (
    <Screen title="Layout" lead={LEAD}>
      <div className="relative">
        {mark("layout")}
        <LayoutForm layout={page.layout} label="" onChange={(part) => setPage({ layout: { ...page.layout, ...part } })} />
      </div>
      <Section title="In categories" note="what a category has otherwise, with all that is below it">
        <div className="relative">
          {mark("layouts")}
          <CategoryLayouts />
        </div>
      </Section>
      <Section title="Sort options" note="that shoppers can choose">
        <div className="relative">
          {(isDraft("sorts") || isDraft("firstSort")) && <Diamond className="absolute top-4 -left-[13px]" />}
          <Sorts />
        </div>
      </Section>
      <Section title="Before anything is searched">
        <div className="relative">
          {mark("start")}
          <StartForm />
        </div>
      </Section>
      <Section title="Also found with products">
        <div className="relative">
          {mark("content")}
          <ContentForm />
        </div>
      </Section>
    </Screen>
  );
}

const NAMES = { categories: "categories", pages: "guides" } as const;

function ContentForm() {
  const { store, settings } = useOpen("store", "settings");
  const { content } = settings.page;
  const chosen = content.results;
  return (
    <Lines>
      <Line name="With the results">
        {CONTENT_KINDS.map((kind) => (
          <span key={kind} className="flex items-center gap-2 pr-2">
            <Checkbox
              checked={chosen.includes(kind)}
              label={`${NAMES[kind]} with the results`}
              onChange={(isIn) => {
                const next = isIn ? [...chosen, kind] : chosen.filter((entry) => entry !== kind);
                setPage({ content: { ...content, results: next } });
              }}
            />
            {NAMES[kind]}
          </span>
        ))}
      </Line>
      <Line name="While typing">
        <Link to={`/bench/${store.id}/search-box/panel`} className="font-semibold text-press">
          decided in the search box
        </Link>
      </Line>
    </Lines>
  );
}
