import type { DuplicateGroup } from "@contract/products";
import { lookUp } from "@core/records";
import { blankHide } from "@core/settings/blank-hide";
import { add } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { Link } from "react-router";
import { Answered } from "../../ask/Answered";
import { askAnew } from "../../ask/client";
import { ScreenSkeleton } from "../../ask/Skeleton";
import { useAsk } from "../../ask/useAsk";
import { Empty, Screen } from "../../frame/Screen";
import { useBenchParts, useOpen } from "../../state/bench";
import { useSayText } from "../say-text";

/** The rule that excludes duplicates; stores of former times have it under its former id. */
const OUT = ["left-out-duplicates", "kept-out-twins"];

const ROUTE = "GET /api/stores/{store}/duplicates";

/** Products that look the same to shoppers, with what differs, to be decided one by one. */
export default function Duplicates() {
  return (
    <Answered of={useAsk(ROUTE, {})} loading={<ScreenSkeleton />}>
      {(groups) => <Groups groups={groups} />}
    </Answered>
  );
}

function Groups({ groups }: { groups: readonly DuplicateGroup[] }) {
  const { store, settings } = useOpen("store", "settings");
  const sayText = useSayText();
  const { edit, reload } = useBenchParts("edit", "reload");
  const decide = async (group: DuplicateGroup, as: "options" | "apart") => {
    try {
      await ask("POST /api/stores/{store}/duplicates", {
        params: { store: store.id },
        body: { ids: group.products.map(({ id }) => id), as },
      });
      await (as === "options" ? reload() : askAnew(ROUTE));
      toast(
        as === "options" ? "One product with options now; every import keeps it so." : "They stay two products; every import remembers it.",
      );
    } catch (error) {
      toast.error(sayError(error, "This could not be decided."));
    }
  };
  const keepOut = (id: string) => {
    const at = OUT.find((rule) => lookUp(settings.hides, rule)) ?? OUT[0];
    const old = lookUp(settings.hides, at);
    const rule = old
      ? { ...old, products: [...(old.products ?? []), id] }
      : { ...blankHide("Duplicates excluded from search"), products: [id] };
    void edit([add(["hides", at], rule)]);
  };
  return (
    <Screen
      title="Duplicates"
      lead={
        groups.length === 0
          ? "No two products look the same to shoppers."
          : `${plural(groups.length, "group")} of products with the same title, picture and brand. Shoppers see the same thing twice.`
      }
    >
      {groups.length === 0 && <Empty>When a feed brings a product twice, with another price or another address, it is listed here.</Empty>}
      <ul className="border-t border-rule">
        {groups.map((group) => (
          <li key={group.key} className="border-b border-rule py-2">
            <div className="flex items-start gap-3">
              <span className="size-12 shrink-0 overflow-hidden rounded-[3px] bg-raised">
                {group.products[0].picture && <img src={group.products[0].picture} alt="" className="size-full object-cover" />}
              </span>
              <div className="min-w-0 flex-1">
                <b className="font-semibold">{group.title}</b>
                <div className="flex flex-wrap gap-2 pt-1">
                  <Button onClick={() => void decide(group, "options")}>Merge as options</Button>
                  <Button onClick={() => void decide(group, "apart")}>Keep apart</Button>
                </div>
              </div>
            </div>
            <table className="mt-1.5 w-full text-[12.5px]">
              <thead>
                <tr className="border-b border-rule text-left text-soft">
                  <th className="py-0.5 pr-3 font-normal">differs in</th>
                  {group.products.map(({ id }) => (
                    <th key={id} className="py-0.5 pr-3 font-normal">
                      <Link to={`/bench/${store.id}/catalogue/products/${encodeURIComponent(id)}`} className="text-press no-underline">
                        {id}
                      </Link>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {group.differ.slice(0, 8).map((field) => (
                  <tr key={field.key}>
                    <td className="py-0.5 pr-3 text-soft">{field.label}</td>
                    {field.values.map((value, i) => (
                      <td key={group.products[i].id} className="max-w-40 truncate py-0.5 pr-3">
                        {sayText(field.role, value)}
                      </td>
                    ))}
                  </tr>
                ))}
                <tr>
                  <td />
                  {group.products.map(({ id }) => (
                    <td key={id} className="pt-0.5">
                      <button type="button" className="text-soft hover:text-loss" onClick={() => keepOut(id)}>
                        Exclude from search
                      </button>
                    </td>
                  ))}
                </tr>
              </tbody>
            </table>
          </li>
        ))}
      </ul>
    </Screen>
  );
}
