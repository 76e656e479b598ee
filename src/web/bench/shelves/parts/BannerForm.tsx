import { DRAWN } from "@core/settings/drawings";
import { BANNER_TONES, Banner, DRAWINGS } from "@core/settings/shelf";
import { Button, IconButton } from "@ui/Button";
import { Segments, Select, TextLine } from "@ui/controls";
import { X } from "lucide-react";
import { Drawing } from "../../../shop/results/Drawing";
import { useLiveForm } from "../../forms/useLiveForm";
import { LabelLine, useLanguage } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { useOpen } from "../../state/bench";
import type { ShelfChange } from "../edits";
import { LinkForm } from "./LinkForm";

interface Props {
  banner: Banner | null;
  onChange: ShelfChange;
}

const TONES: Record<(typeof BANNER_TONES)[number], string> = {
  quiet: "quiet",
  press: "the shop's colour",
  gain: "green",
  loss: "red",
  ink: "dark",
};
/** A banner to begin with. */
export const startBanner = (title: string, language = "en"): Banner => ({
  title: { [language]: title },
  text: {},
  picture: null,
  drawing: "sprig",
  tone: "quiet",
  link: null,
  after: null,
});

/** The banner of a shelf, over the results or in a space among them. */
export function BannerForm({ banner, onChange }: Props) {
  const { language } = useLanguage();
  if (banner) return <OneBanner banner={banner} onChange={onChange} />;
  const start = () => void onChange((shelf) => ({ ...shelf, banner: startBanner(shelf.name, language) }));
  return (
    <Button look="bare" className="!px-0" onClick={start}>
      Add a banner
    </Button>
  );
}

function OneBanner({ banner: kept, onChange }: { banner: Banner; onChange: ShelfChange }) {
  const { front } = useOpen("front");
  const { language, choice } = useLanguage();
  const form = useLiveForm(Banner, kept, (part) =>
    onChange((shelf) => ({ ...shelf, banner: shelf.banner && { ...shelf.banner, ...part } })),
  );
  const { value: banner, change, problemOf } = form;
  return (
    <Lines wide>
      <Line name="Title" problem={problemOf("title")}>
        <LabelLine
          label="Title of the banner"
          value={banner.title}
          language={language}
          onChange={(title) => change({ title })}
          className="w-64"
        />
        {choice}
      </Line>
      <Line name="Text" problem={problemOf("text")}>
        <LabelLine
          label="Text of the banner"
          value={banner.text}
          language={language}
          onChange={(text) => change({ text })}
          className="w-full"
        />
      </Line>
      <Line name="Picture" problem={problemOf("picture")}>
        <TextLine
          label="Address of the picture"
          value={banner.picture ?? ""}
          placeholder="https://… or none"
          onCommit={(picture) => change({ picture: picture.trim() || null })}
          className="w-48"
        />
        {banner.picture === null && (
          <span className="flex items-center gap-1" role="group" aria-label="Drawing">
            {DRAWINGS.map((name) => (
              <button
                key={name}
                type="button"
                aria-label={`Drawing: ${name}`}
                aria-pressed={banner.drawing === name}
                title={name}
                onClick={() => change({ drawing: banner.drawing === name ? null : name })}
                className={`flex size-7 items-center justify-center rounded border ${banner.drawing === name ? "border-press bg-press-soft text-press" : "border-rule text-soft"}`}
              >
                <Drawing path={DRAWN[name]} className="size-5" />
              </button>
            ))}
          </span>
        )}
      </Line>
      <Line name="Colour">
        <Select
          label="Colour of the banner"
          value={banner.tone}
          options={BANNER_TONES.map((value) => ({ value, label: TONES[value] }))}
          onChange={(tone) => change({ tone: tone as Banner["tone"] })}
          className="w-40"
        />
      </Line>
      <Line name="Place" problem={problemOf("after")}>
        <Segments
          label="Place of the banner"
          value={banner.after === null ? "above" : "inside"}
          options={[
            { value: "above", label: "over the results" },
            { value: "inside", label: "a space among them" },
          ]}
          onChange={(place) => change({ after: place === "above" ? null : 2 })}
        />
        {banner.after !== null && (
          <>
            after
            <NumberLine
              label="Results before the banner"
              value={banner.after}
              min={0}
              max={200}
              onCommit={(after) => change({ after })}
              className="w-12"
            />
          </>
        )}
      </Line>
      <Line name="Leads to" problem={problemOf("link")}>
        {banner.link ? (
          <>
            <LinkForm label="Banner" value={banner.link} onChange={(link) => change({ link })} />
            <IconButton label="The banner leads nowhere" onClick={() => change({ link: null })}>
              <X className="size-4" />
            </IconButton>
          </>
        ) : (
          <Button
            look="bare"
            className="!px-0"
            onClick={() => change({ link: { to: "category", value: front.categories[0]?.path.join(" › ") ?? "–" } })}
          >
            Somewhere
          </Button>
        )}
        <Button look="loss" className="ml-auto" onClick={() => void onChange((shelf) => ({ ...shelf, banner: null }))}>
          Remove the banner
        </Button>
      </Line>
    </Lines>
  );
}
