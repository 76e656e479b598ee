import { lookUp } from "@core/records";
import { count } from "@ui/format";
import { Opened } from "@ui/Opened";
import { Navigate, NavLink, Route, Routes, useLocation, useParams } from "react-router";
import { ScreenSkeleton } from "../ask/Skeleton";
import { screenIsDrawn } from "./first-screen";
import { aheadOf, type Tab } from "./screens";

interface Props {
  label: string;
  /** Address of the area. */
  base: string;
  tabs: readonly Tab[];
  /** A number beside a tab, by its path; 0 is not said. */
  numbers: Readonly<Record<string, number>>;
  start: string;
}

/** The parts of an area, each with an address of its own. */
export function Tabs({ label, base, tabs, numbers, start }: Props) {
  return (
    <div className="flex h-full flex-col">
      <nav aria-label={label} className="flex h-9 shrink-0 items-end gap-4 border-b border-rule px-5 text-[13px]">
        {tabs.map((tab) => (
          <NavLink
            key={tab.path}
            to={`${base}/${tab.path}`}
            {...aheadOf(`${base}/${tab.path}`)}
            className={({ isActive }) =>
              `-mb-px border-b-2 pb-1.5 whitespace-nowrap no-underline hover:text-ink ${isActive ? "border-press font-semibold text-ink" : "border-transparent text-soft"}`
            }
          >
            {tab.name}
            {lookUp(numbers, tab.path) > 0 && (
              <span className="ml-1 text-[12px] font-normal text-soft">{count(lookUp(numbers, tab.path))}</span>
            )}
          </NavLink>
        ))}
      </nav>
      <div className="min-h-0 flex-1">
        <Routes>
          {tabs.map(({ path, screen }) => (
            <Route
              key={path}
              path={`${path}/*`}
              element={<Opened key={path} screen={screen} waiting={<ScreenSkeleton />} onDrawn={screenIsDrawn} />}
            />
          ))}
          {tabs.map(({ path, former }) => former && <Route key={former} path={`${former}/*`} element={<Moved to={`${base}/${path}`} />} />)}
          <Route path="*" element={<Navigate to={`${base}/${start}`} replace />} />
        </Routes>
      </div>
    </div>
  );
}

/** Leads from a former address to what it is called now, with whatever was asked for there. */
export function Moved({ to }: { to: string }) {
  const { search, hash } = useLocation();
  const rest = useParams()["*"];
  return <Navigate to={`${to}${rest ? `/${rest}` : ""}${search}${hash}`} replace />;
}
