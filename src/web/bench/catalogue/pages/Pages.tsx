import { pointerKey } from "@core/shelves/edit";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { count, plural } from "@ui/format";
import { call, HttpError, upload } from "@ui/http";
import { Trash2 } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import { toast } from "sonner";
import { Empty, Screen } from "../../frame/Screen";
import { Diamond } from "../../frame/TopBar";
import { DropZone } from "../../pieces/DropZone";
import { useBenchParts, useOpen } from "../../state/bench";

interface Page {
  id: string;
  title: string;
  text: string;
  link: string;
  picture: string | null;
}

/** Guides and information pages, which stand beside products in the results. */
export default function Pages() {
  const { store, settings, live } = useOpen("store", "settings", "live");
  const { edit, reload } = useBenchParts("edit", "reload");
  const [pages, setPages] = useState<Page[] | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const base = `/api/stores/${encodeURIComponent(store.id)}/pages`;
  const load = useCallback(() => call<Page[]>(base).then(setPages, () => undefined), [base]);
  useEffect(() => {
    void load();
  }, [load]);
  const bringIn = async (file: File) => {
    setFailure(null);
    try {
      const { pages: now } = await upload<{ pages: number }>(`${base}/feed`, file, () => undefined);
      toast(`${plural(now, "page")} can be found now.`);
      await Promise.all([load(), reload()]);
    } catch (error) {
      setFailure(error instanceof HttpError ? error.message : "The file could not be sent.");
    }
  };
  const remove = async (page: Page) => {
    await call(`${base}/${encodeURIComponent(page.id)}`, { method: "DELETE" });
    toast(`“${page.title}” is gone.`, {
      action: { label: "Put it back", onClick: () => void call(base, { body: page }).then(() => Promise.all([load(), reload()])) },
    });
    await Promise.all([load(), reload()]);
  };
  if (!pages) return null;
  const isOut = (id: string) => settings.pages[id]?.searchable === false;
  return (
    <Screen
      title="Pages"
      lead={
        pages.length === 0
          ? "Guides and information pages that shoppers find beside products."
          : `${plural(pages.length, "page")} found beside products. Take out of search what should not be.`
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
              {isOut(page.id) !== (live.pages[page.id]?.searchable === false) && <Diamond className="absolute -left-[13px]" />}
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
                  const path = `/pages/${pointerKey(page.id)}`;
                  if (searchable) void edit([{ op: "remove", path }]);
                  else void edit([{ op: "add", path, value: { searchable } }]);
                }}
              />
              <IconButton label={`Remove ${page.title}`} onClick={() => void remove(page)}>
                <Trash2 className="size-4" />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
    </Screen>
  );
}
