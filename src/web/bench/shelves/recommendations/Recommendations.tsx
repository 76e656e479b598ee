import type { ReadRecommendations } from "@contract/recommendations";
import { lookUp } from "@core/records";
import { add } from "@core/settings/patch";
import { LISTS, type RelatedLists } from "@core/settings/related";
import { plural } from "@ui/format";
import { toast } from "@ui/toast";
import { Answered } from "../../ask/Answered";
import { useAsk } from "../../ask/useAsk";
import { Empty, Screen, Section } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { ProductPicker } from "../../pieces/ProductPicker";
import { sayProblems, TableFile } from "../../pieces/TableFile";
import { useProducts } from "../../pieces/useProducts";
import { useBenchParts, useOpen } from "../../state/bench";
import { RecommendationLists } from "./RecommendationLists";
import { WorkList } from "./WorkList";

const LEAD =
  "Products shown on a product's own page: complements and alternatives. Chosen by hand, and filled up by what is bought together and what is alike.";

/** Related products: one product's lists, all that were made by hand, and where chances are lost. */
export default function Recommendations() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const missed = useAsk("GET /api/stores/{store}/recommendations", {});
  const [open, setOpen] = useOpenRow();
  const made = Object.entries(settings.related);
  const products = useProducts([...(open ? [open] : []), ...made.slice(0, 200).map(([id]) => id)]);
  const take = async ({ lists, problems }: ReadRecommendations, name: string) => {
    const changed = Object.entries(lists).filter(([id, value]) => JSON.stringify(value) !== JSON.stringify(lookUp(settings.related, id)));
    await edit(changed.map(([id, value]) => add(["related", id], value)));
    const said = `${plural(changed.length, "product")} taken over from ${name}${changed.length < Object.keys(lists).length ? `, ${Object.keys(lists).length - changed.length} as they were` : ""}.`;
    (problems.length > 0 ? toast.warning : toast.success)(problems.length > 0 ? `${said} ${sayProblems(problems)}` : said, {
      duration: 10_000,
    });
  };
  return (
    <Screen
      title="Recommendations"
      lead={LEAD}
      action={
        <TableFile
          what="lists of related products"
          from="GET /api/stores/{store}/recommendations/lists.csv"
          to="POST /api/stores/{store}/recommendations/read"
          onRead={take}
        />
      }
    >
      <ProductPicker label="Product whose lists are looked at" placeholder="Name or number of a product" onPick={({ id }) => setOpen(id)} />
      {open && <RecommendationLists key={open} id={open} title={products.get(open)?.title ?? open} onClose={() => setOpen(null)} />}
      {made.length > 0 && (
        <Section title="By hand" note={plural(made.length, "product")}>
          <ul className="border-t border-rule">
            {made.slice(0, 200).map(([id, lists]) => (
              <li key={id}>
                <button
                  type="button"
                  onClick={() => setOpen(id)}
                  className="flex h-9 w-full items-center gap-3 border-b border-rule text-left text-[13px] hover:text-press"
                >
                  <b className={`min-w-0 flex-1 truncate font-semibold ${products.get(id)?.isGone ? "text-loss" : ""}`}>
                    {products.get(id)?.title ?? id}
                    {products.get(id)?.isGone && ", no longer in the catalogue"}
                  </b>
                  <span className="text-[12.5px] text-soft">{sayLists(lists)}</span>
                </button>
              </li>
            ))}
          </ul>
        </Section>
      )}
      <Section title="Missed opportunities" note="of the products that shoppers see most">
        <Answered of={missed}>
          {(chances) =>
            chances.length === 0 ? (
              <Empty>Every product that is seen much leads on to another.</Empty>
            ) : (
              <WorkList chances={chances} onOpen={setOpen} />
            )
          }
        </Answered>
      </Section>
    </Screen>
  );
}

const NAMES = { goesWith: "with it", insteadOf: "instead" } as const;

function sayLists(lists: RelatedLists): string {
  const parts = LISTS.filter((list) => lists[list].length > 0).map((list) => `${lists[list].length} ${NAMES[list]}`);
  return [...parts, !lists.automatic && "nothing by itself"].filter(Boolean).join(", ") || "as usual";
}
