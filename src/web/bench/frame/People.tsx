import type { Colleague } from "@contract/colleagues";
import { TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { PopupContent } from "@ui/PopupContent";
import { Popover } from "radix-ui";
import { Link } from "react-router";
import { useBenchParts, useOpen } from "../state/bench";
import { useColleagues } from "../state/news";
import { NOBODY, usePerson } from "../state/person";
import { AREAS } from "./areas";
import { tabsOf } from "./screens";

/** Who works here, and who else does and where. */
export function People() {
  const name = usePerson((state) => state.name);
  const others = useColleagues((state) => state.others);
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`You are ${name}. ${others.length === 0 ? "Nobody else is here." : `${plural(others.length, "other")} here.`}`}
        className="flex h-7 items-center gap-1 rounded px-1 hover:bg-press-soft"
      >
        {others.slice(0, 3).map(({ tab, name, where }) => (
          <Initials key={tab} name={name} title={`${name}: ${sayWhere(where)}`} isOther />
        ))}
        {others.length > 3 && <span className="text-[12px] text-soft">+{others.length - 3}</span>}
        <Initials name={name} title={`${name} (you)`} />
      </Popover.Trigger>
      <PopupContent aria-label="Who is here" className="w-[270px] p-3 text-[13px]">
        <OwnName name={name} />
        <h2 className="mt-3 text-[13px]">Also here</h2>
        {others.length === 0 && <p className="text-soft">Nobody.</p>}
        <ul>
          {others.map((other) => (
            <Other key={other.tab} other={other} />
          ))}
        </ul>
      </PopupContent>
    </Popover.Root>
  );
}

function OwnName({ name }: { name: string }) {
  const { reread } = useBenchParts("reread");
  const call = (next: string) => {
    usePerson.getState().call(next);
    void reread();
  };
  return (
    <>
      <p className="text-soft">Your name, beside what you change</p>
      <TextLine
        label="Your name"
        placeholder={NOBODY}
        maxLength={80}
        value={name === NOBODY ? "" : name}
        onCommit={call}
        className="w-full"
      />
    </>
  );
}

function Other({ other: { name, where } }: { other: Colleague }) {
  const { store } = useOpen("store");
  return (
    <li className="flex items-center gap-2 border-b border-rule py-1 last:border-b-0">
      <Initials name={name} isOther />
      <span className="min-w-0 flex-1 truncate">{name}</span>
      <Link to={`/bench/${store.id}/${where}`} className="shrink-0 text-[12.5px] text-press">
        {sayWhere(where)}
      </Link>
    </li>
  );
}

function Initials({ name, title, isOther = false }: { name: string; title?: string; isOther?: boolean }) {
  const letters = name
    .split(/\s+/)
    .map((word) => word[0] ?? "")
    .join("")
    .slice(0, 2)
    .toUpperCase();
  return (
    <span
      title={title}
      aria-hidden
      className={`inline-flex h-5 min-w-5 items-center justify-center rounded-[3px] px-1 text-[11px] font-bold ${isOther ? "bg-live-soft text-live" : "bg-press-soft text-press"}`}
    >
      {letters}
    </span>
  );
}

/** An address within the bench in words, such as "Ranking, Boosts". */
function sayWhere(where: string): string {
  const [area, part] = where.split(/[/?]/);
  const { name = "Bench" } = AREAS.find(({ path }) => path === area) ?? {};
  const tab = tabsOf(area).find(({ path }) => path === part);
  return tab ? `${name}, ${tab.name}` : name;
}
