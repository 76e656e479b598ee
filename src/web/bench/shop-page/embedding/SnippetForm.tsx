import { Segments, Select, TextLine } from "@ui/controls";
import { useState } from "react";
import { Section } from "../../frame/Screen";
import { CategoryChoice } from "../../pieces/CategoryChoice";
import { Line, Lines } from "../../pieces/Lines";
import { Ticked } from "../../pieces/Ticked";
import { useOpen } from "../../state/bench";
import { Copy } from "./Copy";
import { type Snippet, writeSnippet } from "./snippet";

const NONE = "–";

/** Puts together what a page includes. */
export function SnippetForm({ publicKey, server }: { publicKey: string; server: string }) {
  const { settings, front } = useOpen("settings", "front");
  const [snippet, setSnippet] = useState<Omit<Snippet, "key">>({
    server,
    pieces: "one",
    results: "here",
    page: "",
    category: null,
    within: null,
    product: "",
    related: false,
  });
  const set = (part: Partial<Snippet>) => setSnippet((old) => ({ ...old, ...part }));
  const limit = snippet.category ? "category" : snippet.within ? "selection" : "all";
  const selections = Object.entries(settings.selections).map(([value, { name }]) => ({ value, label: name }));
  const text = writeSnippet({ ...snippet, key: publicKey });
  return (
    <Section title="What a page includes">
      <Lines>
        <Line name="Pieces">
          <Segments
            label="Pieces"
            value={snippet.pieces}
            options={[
              { value: "one", label: "all in one place" },
              { value: "apart", label: "each in its own" },
            ]}
            onChange={(pieces) => set({ pieces })}
          />
          <Ticked checked={snippet.related} label="Related products too" onChange={(related) => set({ related })}>
            related products
          </Ticked>
        </Line>
        <Line name="Show results">
          <Segments
            label="Position of the results"
            value={snippet.results}
            options={[
              { value: "here", label: "in the page" },
              { value: "layer", label: "in a layer over it" },
              { value: "page", label: "on another page" },
            ]}
            onChange={(results) => set({ results })}
          />
          {snippet.results === "page" && (
            <TextLine
              label="Address of the page with the results"
              value={snippet.page}
              placeholder="/search.html"
              onCommit={(page) => set({ page })}
              className="w-36"
            />
          )}
        </Line>
        <Line name="Limited to">
          <Segments
            label="What the box is limited to"
            value={limit}
            options={[
              { value: "all", label: "nothing" },
              { value: "category", label: "a category" },
              { value: "selection", label: "a selection" },
            ]}
            onChange={(kind) =>
              set({
                category: kind === "category" ? (front.categories[0]?.path ?? null) : null,
                within: kind === "selection" ? (selections[0]?.value ?? null) : null,
              })
            }
          />
          {snippet.category && (
            <CategoryChoice
              label="Category of the box"
              value={snippet.category}
              onChange={(category) => set({ category })}
              className="w-44"
            />
          )}
          {snippet.within && (
            <Select
              label="Selection of the box"
              value={snippet.within ?? NONE}
              options={selections}
              onChange={(within) => set({ within })}
              className="w-44"
            />
          )}
        </Line>
        <Line name="Product pages">
          <TextLine
            label="Address of a product's page"
            value={snippet.product}
            placeholder="/products/{id}"
            onCommit={(product) => set({ product })}
            className="w-56"
          />
        </Line>
      </Lines>
      <pre
        role="group"
        aria-label="What the page includes"
        className="mt-1 overflow-x-auto rounded border border-rule bg-raised p-2 text-[12px]/[18px] whitespace-pre-wrap break-all"
      >
        {text}
      </pre>
      <div className="mt-2 flex items-center gap-3 text-[12.5px] text-soft">
        <Copy text={text} label="Copy it" />
        The script waits until the page is there; without it the page is as it was.
      </div>
    </Section>
  );
}
