import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { Search } from "lucide-react";
import { Link, useLocation, useNavigate } from "react-router";
import { sayKeys, useShortcut } from "../keys/shortcuts";
import { Diamond } from "../pieces/Diamond";
import { useBenchParts, useOpen } from "../state/bench";
import { CopyLink } from "./CopyLink";
import { Mark } from "./Mark";
import { People } from "./People";
import { tabsOf } from "./screens";
import { useTakeBack } from "./useTakeBack";

export function TopBar({ onFind }: { onFind: () => void }) {
  const { store, changes, release, canUndo, canRedo } = useOpen("store", "changes", "release", "canUndo", "canRedo");
  const { undo, redo } = useTakeBack();
  const navigate = useNavigate();
  const takeBack = () => void undo();
  const makeAgain = () => void redo();
  useShortcut("undo", takeBack);
  useShortcut("redo", makeAgain);
  return (
    <header className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-4 min-[900px]:flex-nowrap border-b border-rule bg-raised px-4">
      <Link
        to={`/bench/${store.id}`}
        className="flex w-[132px] shrink-0 items-center gap-2 font-head text-[17px] font-bold text-ink no-underline"
      >
        <Mark />
        Clever Shelf
      </Link>
      <StoreChoice />
      <div className="ml-auto flex min-h-10 items-center gap-3">
        <Button look="bare" onClick={onFind} title={`Find anything (${sayKeys("palette")})`} className="!px-1">
          <Search className="size-3.5" aria-hidden />
          Find
        </Button>
        <Button look="bare" disabled={!canUndo} onClick={takeBack} title={`Undo your last change (${sayKeys("undo")})`} className="!px-1">
          Undo
        </Button>
        <Button look="bare" disabled={!canRedo} onClick={makeAgain} title={`Redo (${sayKeys("redo")})`} className="!px-1">
          Redo
        </Button>
        <CopyLink />
        <People />
        <DraftState changes={changes.length} release={release} />
        <Button data-tour="release" look={changes.length > 0 ? "main" : "plain"} onClick={() => navigate(`/bench/${store.id}/releases`)}>
          Review and release
        </Button>
      </div>
    </header>
  );
}

const NEW = "\u0000new";

/** The open store, and the way to another one: to the same area of it. */
function StoreChoice() {
  const { store } = useOpen("store");
  const { stores } = useBenchParts("stores");
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const go = (id: string) => {
    // What lies below an area is of one store alone.
    const [, , , area = "", part = ""] = pathname.split("/");
    const isTab = tabsOf(area).some(({ path }) => path === part);
    return navigate(id === NEW ? "/bench/new" : `/bench/${[id, area, isTab ? part : ""].filter(Boolean).join("/")}`);
  };
  return (
    <select
      aria-label="Store"
      value={store.id}
      onChange={(event) => void go(event.target.value)}
      className="h-7 min-w-0 truncate rounded border border-transparent bg-transparent text-soft hover:border-rule"
    >
      {(stores ?? [store]).map((entry) => (
        <option key={entry.id} value={entry.id}>
          {entry.name} · {plural(entry.products, "product")}
        </option>
      ))}
      <option value={NEW}>New store …</option>
    </select>
  );
}

function DraftState({ changes, release }: { changes: number; release: number | null }) {
  if (changes === 0)
    return <span className="whitespace-nowrap text-live">{release === null ? "No release yet" : "No unreleased changes"}</span>;
  return (
    <span role="status" className="flex items-center gap-2 whitespace-nowrap font-semibold text-draft">
      <Diamond />
      {plural(changes, "unreleased change")}
    </span>
  );
}
