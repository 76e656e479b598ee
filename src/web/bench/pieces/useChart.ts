import { Chart, type ChartConfiguration, type ChartType } from "chart.js";
import { type RefObject, useEffect, useRef, useState } from "react";

/** What a chart is drawn with: the colours of the page as they are now, and its font. */
export interface Ink {
  colour: (name: "--press" | "--live" | "--draft" | "--ink" | "--soft" | "--rule" | "--paper") => string;
  font: { family: string; size: number };
  /** Whether the page is dark: then its colours are others. */
  isDark: boolean;
}

/** Draws a chart, anew where what it shows or the colours of the page change. @param configure stays the same function as long as it shows the same. */
export function useChart<Type extends ChartType, Data>(
  configure: (ink: Ink) => ChartConfiguration<Type, Data, string>,
): RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  const isDark = useIsDark();
  useEffect(() => {
    if (!canvas.current) return;
    const style = getComputedStyle(document.documentElement);
    const colour: Ink["colour"] = (name) => style.getPropertyValue(name).trim();
    const chart = new Chart(canvas.current, configure({ colour, font: { family: "Instrument Sans Variable", size: 12 }, isDark }));
    return () => chart.destroy();
  }, [configure, isDark]);
  return canvas;
}

function useIsDark(): boolean {
  const [isDark, setDark] = useState(false);
  useEffect(() => {
    const scheme = matchMedia("(prefers-color-scheme: dark)");
    const onChange = () => setDark(scheme.matches);
    onChange();
    scheme.addEventListener("change", onChange);
    return () => scheme.removeEventListener("change", onChange);
  }, []);
  return isDark;
}
