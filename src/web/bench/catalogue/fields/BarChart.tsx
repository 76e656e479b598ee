import type { Bar } from "@core/insights/catalogue/field-report";
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { useEffect, useRef } from "react";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

/** How often each value stands, as lying bars. */
export function BarChart({ bars, label }: { bars: Bar[]; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!canvas.current) return;
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const font = { family: "Instrument Sans Variable", size: 12 };
    const chart = new Chart(canvas.current, {
      type: "bar",
      data: {
        labels: bars.map((bar) => (bar.label.length > 34 ? `${bar.label.slice(0, 34)}…` : bar.label)),
        datasets: [{ data: bars.map((bar) => bar.count), backgroundColor: colour("--live"), barPercentage: 0.7, categoryPercentage: 1 }],
      },
      options: {
        indexAxis: "y",
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            grid: { color: colour("--rule") },
            ticks: { color: colour("--soft"), font, maxTicksLimit: 5, precision: 0 },
            border: { display: false },
          },
          y: { grid: { display: false }, ticks: { color: colour("--ink"), font, autoSkip: false }, border: { color: colour("--rule") } },
        },
        plugins: { tooltip: { displayColors: false } },
      },
    });
    return () => chart.destroy();
  }, [bars]);
  return (
    <div style={{ height: bars.length * 20 + 28 }}>
      <canvas ref={canvas} role="img" aria-label={`${label}: ${bars.map((bar) => `${bar.label} ${bar.count}`).join(", ")}`} />
    </div>
  );
}
