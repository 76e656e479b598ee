import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  type ChartConfiguration,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from "chart.js";
import { useCallback } from "react";
import { type Ink, useChart } from "../pieces/useChart";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip);

interface Props {
  products: readonly { title: string; position: number; clicked: number; expected: number }[];
  label: string;
}

/** Clicks of products in the order of their positions, beside what the positions alone would give: bars, and a dashed line with rings. */
export function PositionChart({ products, label }: Props) {
  const configure = useCallback(
    ({ colour, font }: Ink): ChartConfiguration<"bar" | "line", number[], string> => ({
      type: "bar",
      data: {
        labels: products.map(({ position }) => String(Math.round(position * 10) / 10)),
        datasets: [
          {
            type: "line",
            label: "By position alone",
            data: products.map(({ expected }) => expected),
            borderColor: colour("--ink"),
            backgroundColor: colour("--paper"),
            borderDash: [3, 3],
            borderWidth: 1.5,
            pointRadius: 3.5,
          },
          {
            type: "bar",
            label: "Clicked",
            data: products.map(({ clicked }) => clicked),
            backgroundColor: colour("--live"),
            barPercentage: 0.75,
            categoryPercentage: 1,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        interaction: { mode: "index", intersect: false },
        scales: {
          x: {
            title: { display: true, text: "Mean position", color: colour("--soft"), font },
            grid: { display: false },
            ticks: { color: colour("--soft"), font, maxRotation: 0, autoSkip: true },
            border: { color: colour("--rule") },
          },
          y: {
            beginAtZero: true,
            grid: { color: colour("--rule") },
            ticks: { color: colour("--soft"), font, maxTicksLimit: 4, precision: 0 },
            border: { display: false },
          },
        },
        plugins: {
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => products[item.dataIndex].title,
              label: ({ dataset, parsed }) => `${dataset.label}: ${Math.round(parsed.y ?? 0)}`,
            },
          },
        },
      },
    }),
    [products],
  );
  const canvas = useChart(configure);
  return (
    <div className="h-[170px]">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
