import { lookUp } from "@core/records";
import { type ComponentType, memo, useLayoutEffect, useMemo, useRef } from "react";

type Handler = (...args: unknown[]) => unknown;
type Properties = Record<string, unknown>;

/**
 * A component that draws itself anew only when what it shows has changed: its handlers may be new at every turn (the latest one is
 * called), and plain lists and objects are compared by what they hold. For small controls that are in many rows.
 */
export function memoDeep<C>(component: C): C {
  // biome-ignore lint/correctness/noComponentHookFactories: called once for each component, where its module is loaded
  const Inner = memo(component as ComponentType<Properties>, isSame);
  // biome-ignore lint/correctness/noComponentHookFactories: as above
  function Steady(properties: Properties) {
    const latest = useRef(properties);
    useLayoutEffect(() => {
      latest.current = properties;
    });
    const names = Object.keys(properties)
      .filter((name) => typeof lookUp(properties, name) === "function")
      .join();
    const handlers = useMemo(() => {
      const call = (name: string): Handler => {
        return (...args) => (lookUp(latest.current, name) as Handler | undefined)?.(...args);
      };
      return Object.fromEntries(names.split(",").map((name) => [name, call(name)]));
    }, [names]);
    return <Inner {...properties} {...handlers} />;
  }
  return Steady as C;
}

function isSame(before: Properties, after: Properties): boolean {
  const names = Object.keys(after);
  return names.length === Object.keys(before).length && names.every((name) => isAlike(lookUp(before, name), lookUp(after, name)));
}

function isAlike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  return typeof a === "object" && typeof b === "object" && JSON.stringify(a) === JSON.stringify(b);
}
