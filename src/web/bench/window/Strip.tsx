import { Button } from "@ui/Button";
import { Segments, Select, TextInput } from "@ui/controls";
import { dates } from "@ui/format";
import { PopupContent } from "@ui/PopupContent";
import { Popover } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { START } from "../../shop/address";
import { openDrawer } from "../frame/drawer";
import { useShortcut } from "../keys/shortcuts";
import { fromInput, toInput } from "../pieces/ZonedSpan";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import type { Device, Mode } from "../state/window-address";
import { FINDER } from "./Finder";

/** The line over the window: the search being tried, which state it shows, how wide, on which day. */
export function Strip() {
  const { front } = useOpen("front");
  const {
    address,
    mode,
    device,
    at,
    isFinding,
    set,
    propose,
    try: tryQuery,
    go,
  } = useWindowParts("address", "mode", "device", "at", "isFinding", "set", "propose", "try", "go");
  const [text, setText] = useState(address.query);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => setText(address.query), [address.query]);
  useShortcut("search", () => {
    openDrawer();
    input.current?.select();
    input.current?.focus();
  });
  useShortcut("find", () => {
    openDrawer();
    set({ isFinding: true });
    // One that is open already has the focus again.
    document.querySelector<HTMLElement>(`#${FINDER} input`)?.focus();
  });
  // A search is tried while it is typed; the pause keeps half words out of the way.
  useEffect(() => {
    if (text === address.query) return;
    const timer = setTimeout(() => (text.trim() === "" ? undefined : tryQuery(text)), 160);
    return () => clearTimeout(timer);
  }, [text, address.query, tryQuery]);
  const tops = front.categories.filter(({ path }) => path.length <= 2);
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-rule px-3.5 py-2">
      <div className="flex h-[30px] min-w-[150px] flex-1 items-center gap-2 rounded border-[1.5px] border-ink bg-raised px-2 focus-within:border-press">
        <input
          ref={input}
          aria-label="Search being tried"
          value={text}
          placeholder={address.category ? address.category.join(" › ") : "Try a search"}
          spellCheck={false}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") tryQuery(text);
            if (event.key === "ArrowDown") {
              event.preventDefault();
              document.querySelector<HTMLElement>("[data-handle]")?.focus();
            }
            if (event.key === "Escape") setText(address.query);
          }}
          className="h-full min-w-0 flex-1 bg-transparent text-[14px] outline-none"
        />
        <Popover.Root>
          <Popover.Trigger
            className="rounded-[3px] border border-rule px-1 text-[12px]/[18px] text-soft hover:text-ink"
            aria-label="Look at a category instead"
          >
            ☰
          </Popover.Trigger>
          <PopupContent className="max-h-[420px] w-[240px] overflow-auto p-1">
            <p className="px-2 py-1 text-[12px] text-soft">Look at a category</p>
            {tops.map(({ path }) => (
              <Popover.Close
                key={path.join()}
                onClick={() => {
                  setText("");
                  go({ ...START, category: path });
                }}
                className={`block w-full rounded px-2 py-1 text-left text-[13px] hover:bg-press-soft ${path.length === 1 ? "font-semibold" : "pl-5"}`}
              >
                {path.at(-1)}
              </Popover.Close>
            ))}
          </PopupContent>
        </Popover.Root>
        <kbd
          hidden={text !== ""}
          className="rounded-[3px] border border-rule px-1.5 font-sans text-[12px]/[18px] text-soft"
          title="Press / to try a search"
        >
          /
        </kbd>
      </div>
      <Segments<Mode>
        label="State shown"
        value={mode}
        onChange={(next) => {
          propose(null);
          set({ mode: next, asked: null });
        }}
        options={[
          { value: "draft", label: "Draft", className: "data-[state=on]:!bg-draft-soft data-[state=on]:!text-draft" },
          { value: "live", label: "Live", className: "data-[state=on]:!bg-live-soft data-[state=on]:!text-live" },
          { value: "both", label: "Both" },
        ]}
      />
      <Select
        label="Width"
        value={device}
        onChange={(next) => set({ device: next as Device })}
        options={[
          { value: "wide", label: "Wide" },
          { value: "phone", label: "375 px" },
          { value: "tablet", label: "768 px" },
          { value: "desktop", label: "1280 px" },
        ]}
        className="w-[88px] font-semibold text-soft"
      />
      <DayChoice at={at} onChange={(next) => set({ at: next })} />
      <Button aria-pressed={isFinding} onClick={() => set({ isFinding: !isFinding })}>
        Where is…?
      </Button>
    </div>
  );
}

/** The moment to pretend, on the shop's own clock. */
function DayChoice({ at, onChange }: { at: string | null; onChange: (at: string | null) => void }) {
  const { store } = useOpen("store");
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button className={at ? "!border-draft-mark !text-draft" : ""}>{at ? sayDay(at, store.timeZone) : "Today"}</Button>
      </Popover.Trigger>
      <PopupContent className="w-[250px] p-3">
        <label className="flex flex-col gap-1 text-[13px]">
          See the shop as on
          <TextInput
            type="datetime-local"
            isTall
            value={toInput(at, store.timeZone)}
            onChange={(event) => onChange(fromInput(event.target.value, store.timeZone))}
          />
        </label>
        {at && (
          <Popover.Close asChild>
            <Button className="mt-2" onClick={() => onChange(null)}>
              Back to today
            </Button>
          </Popover.Close>
        )}
      </PopupContent>
    </Popover.Root>
  );
}

/** "18 Dec", with the year where it is another one. */
function sayDay(at: string, timeZone: string): string {
  const year = (moment: string | number) => dates({ year: "numeric", timeZone }).format(new Date(moment));
  const isOther = year(at) !== year(Date.now());
  return dates({ day: "numeric", month: "short", ...(isOther ? { year: "numeric" } : {}), timeZone }).format(new Date(at));
}
