import { IconButton } from "@ui/Button";
import { Check, X } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { useOpen } from "../state/bench";
import { triedIn } from "../state/walk";
import { useTour } from "./state";

const hiddenKey = (store: string) => `clever-shelf.first-steps.${store}`;

/** What to do first in a new store, with what is done ticked, until it is released or they are hidden. */
export function FirstSteps() {
  const { store, settings, release } = useOpen("store", "settings", "release");
  const begin = useTour((state) => state.begin);
  const [isHidden, setHidden] = useState(() => localStorage.getItem(hiddenKey(store.id)) !== null);
  if (release !== null || isHidden) return null;
  const { words, groups, shelves, deadEnd } = settings;
  const has = (entries: object) => Object.keys(entries).length > 0;
  const steps = [
    { name: "Bring your products in", path: "catalogue/feed", isDone: store.products > 0 },
    { name: "Try what shoppers will search", path: "attributes", isDone: triedIn(store.id).length > 0 },
    { name: "Teach it your shoppers' words", path: "words/rules", isDone: has(words) || has(groups) },
    { name: "Arrange your most important search", path: "shelves/this-search", isDone: has(shelves) },
    {
      name: "Say what stands where nothing is found",
      path: "no-results/page",
      isDone: has(deadEnd.answers) || has(deadEnd.message) || deadEnd.products.length > 0 || deadEnd.searches.length > 0,
    },
    { name: "Release it to your shoppers", path: "releases", isDone: false },
  ];
  const hide = () => {
    localStorage.setItem(hiddenKey(store.id), "hidden");
    setHidden(true);
  };
  return (
    <section aria-label="First steps" className="mb-4 border-y border-ink py-2">
      <div className="flex items-center gap-2">
        <h2 className="flex-1 text-[15px]/6">First steps</h2>
        {store.products > 0 && (
          <button type="button" onClick={begin} className="text-[13px] font-semibold text-press">
            Show me around
          </button>
        )}
        <IconButton label="Hide the first steps" onClick={hide} className="!size-6">
          <X className="size-4" />
        </IconButton>
      </div>
      <ol className="mt-1">
        {steps.map(({ name, path, isDone }) => (
          <li key={path} className="flex h-7 items-center gap-2 text-[13.5px]">
            <span
              className={`flex size-4 items-center justify-center rounded-[3px] border ${isDone ? "border-gain text-gain" : "border-rule"}`}
            >
              {isDone && <Check className="size-3.5" aria-hidden />}
            </span>
            {isDone ? (
              <span className="text-soft">
                {name} <span className="sr-only">(done)</span>
              </span>
            ) : (
              <Link to={`/bench/${store.id}/${path}`} className="text-ink hover:text-press">
                {name}
              </Link>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
