import { namedEntries } from "@core/insights/changes/changes";
import { lookUp } from "@core/records";
import { Command } from "cmdk";
import { useEffect, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { roleKey } from "../../shop/client";
import { useFact } from "../ask/useAsk";
import { placeOf } from "../frame/where";
import { useOwnAnswer } from "../no-results/useOwnAnswer";
import { labelsOf, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { type Found, firstNamed, SCREENS } from "./find";
import { focusWork } from "./focus-work";

const MOST = 6;

/** Finds whatever the bench has by its name: screens, settings, products of the catalogue, searches of shoppers. */
export default function Palette({ onClose }: { onClose: () => void }) {
  const { store } = useOpen("store");
  const { try: tryQuery } = useWindowParts("try");
  const navigate = useNavigate();
  const [typed, setTyped] = useState("");
  const text = typed.trim();
  const settings = useSettings(text);
  const products = useProductsNamed(text);
  const searches = useSearches(text);
  const ownAnswer = useOwnAnswer(text);
  // A number that is typed whole is a product's before it is a search.
  const numbered = products.find(({ id }) => id.toLowerCase() === text.toLowerCase())?.id;
  const [chosen, setChosen] = useState("");
  useEffect(() => {
    if (numbered !== undefined) setChosen(lineOf("Products", numbered));
  }, [numbered]);
  const go = async (path: string) => {
    onClose();
    await navigate(`/bench/${store.id}/${path}`);
    // The next step of the keyboard is in what was found.
    focusWork();
  };
  const look = (query: string) => {
    onClose();
    tryQuery(query);
  };
  return (
    <Command.Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      label="Find anything"
      value={chosen}
      onValueChange={setChosen}
      shouldFilter={false}
      loop
      overlayClassName="fixed inset-0 z-40 bg-ink/30"
      contentClassName="fixed top-[14%] left-1/2 z-50 w-[520px] max-w-[94vw] -translate-x-1/2 rounded-md border border-rule bg-raised text-ink shadow-lg"
    >
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder="Area, setting, product, search"
        className="h-11 w-full border-b border-rule bg-transparent px-4 text-[15px] outline-none"
      />
      <Command.List className="max-h-[52vh] overflow-auto p-1.5">
        <Command.Empty className="px-2.5 py-2 text-[13px] text-soft">Nothing is called “{text}” here.</Command.Empty>
        <Lines heading="Screens" found={firstNamed(SCREENS, text, text === "" ? 40 : MOST)} onPick={go} />
        <Lines heading="Settings" found={settings} onPick={go} />
        {numbered !== undefined && <Lines heading="Products" found={products} onPick={go} />}
        {text !== "" && (
          <Group heading="Searches">
            <Line value={`try ${text}`} name={`Try “${text}”`} note="in the shopper window" onPick={() => look(text)} />
            <Line
              value={`answer ${text}`}
              name={`${ownAnswer.isThere ? "Change the answer to" : "Answer"} “${text}” itself`}
              note="where nothing is found"
              onPick={() => {
                look(text);
                void ownAnswer.open();
              }}
            />
            {searches.map((search) => (
              <Line key={search.id} value={`search ${search.id}`} name={search.name} note={search.note} onPick={() => look(search.name)} />
            ))}
          </Group>
        )}
        {numbered === undefined && <Lines heading="Products" found={products} onPick={go} />}
      </Command.List>
    </Command.Dialog>
  );
}

/** Entries of the draft by their names. */
function useSettings(text: string): Found[] {
  const { settings, fields } = useOpen("settings", "fields");
  const entries = useMemo(
    () =>
      namedEntries(settings, labelsOf(fields)).map(({ part, id, subject }) => ({
        id: `${part}/${id}`,
        name: part === "attributes" ? `Attribute ${subject}` : subject,
        path: placeOf({ part, id }),
      })),
    [settings, fields],
  );
  return text === "" ? [] : firstNamed(entries, text, MOST);
}

function useProductsNamed(text: string): Found[] {
  const { front } = useOpen("front");
  const table = useFact(
    "POST /api/stores/{store}/products/table",
    text === "" ? null : { body: { search: text.slice(0, 512), limit: MOST } },
    { pause: 120 },
  );
  const title = roleKey(front, "title") ?? "";
  return (table?.rows ?? []).map(({ id, values }) => ({
    id,
    name: String(lookUp(values, title) ?? id),
    note: id,
    path: `catalogue/products/${encodeURIComponent(id)}`,
  }));
}

/** Searches of shoppers that hold what was typed. */
function useSearches(text: string) {
  const asked = useFact("GET /api/stores/{store}/log/queries", text === "" ? null : { query: { search: text, limit: 4 } }, {
    of: "store",
    pause: 120,
  });
  return (asked?.queries ?? [])
    .filter((search) => search.text !== text.toLowerCase())
    .map((search) => ({ id: search.text, name: search.text, note: `asked ${search.asked} ×` }));
}

function Group({ heading, children }: { heading: string; children: React.ReactNode }) {
  return (
    <Command.Group
      heading={heading}
      className="[&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-1.5 [&_[cmdk-group-heading]]:text-[11.5px] [&_[cmdk-group-heading]]:text-soft"
    >
      {children}
    </Command.Group>
  );
}

/** By which a line is told from all others. */
const lineOf = (heading: string, id: string) => `${heading} ${id}`;

function Lines({ heading, found, onPick }: { heading: string; found: readonly Found[]; onPick: (path: string) => void }) {
  if (found.length === 0) return null;
  return (
    <Group heading={heading}>
      {found.map(({ id, name, note, path }) => (
        <Line key={id} value={lineOf(heading, id)} name={name} note={note} onPick={() => onPick(path)} />
      ))}
    </Group>
  );
}

function Line({ value, name, note, onPick }: { value: string; name: string; note?: string; onPick: () => void }) {
  return (
    <Command.Item
      value={value}
      onSelect={onPick}
      className="flex cursor-pointer items-baseline gap-3 rounded px-2.5 py-1 text-[13.5px] data-[selected=true]:bg-press-soft"
    >
      <span className="min-w-0 flex-1 truncate">{name}</span>
      {note && <span className="max-w-[45%] shrink-0 truncate text-[12px] text-soft">{note}</span>}
    </Command.Item>
  );
}
