import type { Bar } from "@core/insights/catalogue/field-report";
import { BarController, BarElement, CategoryScale, Chart, type ChartConfiguration, LinearScale, Tooltip } from "chart.js";
import { useCallback } from "react";
import { type Ink, useChart } from "../../pieces/useChart";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

/** How often each value stands, as lying bars. */
export function BarChart({ bars, label }: { bars: Bar[]; label: string }) {
  const configure = useCallback(
    ({ colour, font }: Ink): ChartConfiguration<"bar", number[], string> => ({
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
    }),
    [bars],
  );
  const canvas = useChart(configure);
  return (
    <div style={{ height: bars.length * 20 + 28 }}>
      <canvas ref={canvas} role="img" aria-label={`${label}: ${bars.map((bar) => `${bar.label} ${bar.count}`).join(", ")}`} />
    </div>
  );
}
