import type { Page } from "@contract/pages";
import { lookUp } from "@core/records";
import { add, remove } from "@core/settings/patch";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { count, plural } from "@ui/format";
import { ask, sayError, sendFile } from "@ui/http";
import { toast } from "@ui/toast";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { Answered } from "../../ask/Answered";
import { ScreenSkeleton } from "../../ask/Skeleton";
import { useAsk } from "../../ask/useAsk";
import { Empty, Screen } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { DropZone } from "../../pieces/DropZone";
import { useBenchParts, useOpen } from "../../state/bench";

/** Guides and information pages, which are found with products. */
export default function Pages() {
  return (
    <Answered of={useAsk("GET /api/stores/{store}/pages", {}, { of: "store" })} loading={<ScreenSkeleton />}>
      {(pages) => <PageList pages={pages} />}
    </Answered>
  );
}

function PageList({ pages }: { pages: readonly Page[] }) {
  const { store, settings, live } = useOpen("store", "settings", "live");
  const { edit, reload } = useBenchParts("edit", "reload");
  const [failure, setFailure] = useState<string | null>(null);
  const params = { store: store.id };
  const bringIn = async (file: File) => {
    setFailure(null);
    try {
      const { pages: now } = await sendFile("POST /api/stores/{store}/pages/feed", { params }, file);
      toast(`${plural(now, "page")} can be found now.`);
      await reload();
    } catch (error) {
      setFailure(sayError(error, "The file could not be sent."));
    }
  };
  const change = async (work: () => Promise<unknown>): Promise<boolean> => {
    try {
      await work();
      await reload();
      return true;
    } catch (error) {
      toast.error(sayError(error, "The page could not be changed."));
      return false;
    }
  };
  const takeOut = async (page: Page) => {
    if (!(await change(() => ask("DELETE /api/stores/{store}/pages/{id}", { params: { ...params, id: page.id } })))) return;
    toast(`“${page.title}” is gone.`, {
      action: { label: "Restore", onClick: () => void change(() => ask("POST /api/stores/{store}/pages", { params, body: page })) },
    });
  };
  const isOut = (id: string) => lookUp(settings.pages, id)?.searchable === false;
  return (
    <Screen
      title="Pages"
      lead={
        pages.length === 0
          ? "Guides and information pages that shoppers find with products."
          : `${plural(pages.length, "page")} found with products. Exclude what should not be found.`
      }
    >
      <DropZone of="pages" title="Drop a file with pages, or choose one" onFile={(file) => void bringIn(file)}>
        With title, text, link and picture, in any format that products come in
      </DropZone>
      {failure && (
        <p role="alert" className="mb-3 text-loss">
          {failure}
        </p>
      )}
      {pages.length === 0 ? (
        <Empty>None yet. A feed of the shop's guides (RSS or a table) is enough.</Empty>
      ) : (
        <ul className="border-t border-rule">
          {pages.map((page) => (
            <li key={page.id} className="relative flex items-center gap-3 border-b border-rule py-1.5">
              {isOut(page.id) !== (lookUp(live.pages, page.id)?.searchable === false) && <Diamond className="absolute -left-[13px]" />}
              <div className={`min-w-0 flex-1 ${isOut(page.id) ? "text-soft" : ""}`}>
                <b className="block truncate font-semibold">{page.title}</b>
                <p className="truncate text-[12.5px] text-soft">
                  {count(page.text.split(/\s+/).filter(Boolean).length)} words · {page.link || "no link"} · {page.text.slice(0, 90)}
                </p>
              </div>
              <Toggle
                checked={!isOut(page.id)}
                label={`${page.title}: can be found`}
                onChange={(searchable) => {
                  if (searchable) void edit([remove(["pages", page.id])]);
                  else void edit([add(["pages", page.id], { searchable })]);
                }}
              />
              <IconButton label={`Remove ${page.title}`} onClick={() => void takeOut(page)}>
                <Trash2 className="size-4" />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
    </Screen>
  );
}
