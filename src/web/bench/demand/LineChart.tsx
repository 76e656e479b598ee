import { CategoryScale, Chart, type ChartConfiguration, LinearScale, LineController, LineElement, PointElement, Tooltip } from "chart.js";
import { useCallback } from "react";
import { type Ink, useChart } from "../pieces/useChart";

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip);

export interface ChartMark {
  /** Place among the labels. */
  at: number;
  /** One letter or number. */
  sign: string;
}

interface Props {
  labels: readonly string[];
  now: readonly (number | null)[];
  /** Of the period it is compared with, by place. */
  before: readonly (number | null)[];
  marks: readonly ChartMark[];
  /** A value of the axis as it is written. */
  say: (value: number) => string;
  /** What it shows, for whoever does not see it. */
  label: string;
  names: { now: string; before: string };
}

/** A line over time beside that of another period: told apart by its dashes as well as by its colour. */
export function LineChart({ labels, now, before, marks, say, label, names }: Props) {
  const configure = useCallback(
    ({ colour, font }: Ink): ChartConfiguration<"line", (number | null)[], string> => {
      const line = { pointRadius: labels.length > 40 ? 0 : 1.5, pointHitRadius: 12, borderWidth: 2, tension: 0, spanGaps: true };
      return {
        type: "line",
        data: {
          labels: [...labels],
          datasets: [
            { ...line, label: names.now, data: [...now], borderColor: colour("--press"), backgroundColor: colour("--press") },
            {
              ...line,
              label: names.before,
              data: [...before],
              borderColor: colour("--soft"),
              backgroundColor: colour("--soft"),
              borderDash: [4, 4],
              borderWidth: 1.5,
              pointRadius: 0,
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          interaction: { mode: "index", intersect: false },
          layout: { padding: { top: 14 } },
          scales: {
            x: {
              grid: { display: false },
              ticks: { color: colour("--soft"), font, maxTicksLimit: 7, maxRotation: 0 },
              border: { color: colour("--rule") },
            },
            y: {
              beginAtZero: true,
              grid: { color: colour("--rule") },
              ticks: { color: colour("--soft"), font, maxTicksLimit: 5, callback: (value) => say(Number(value)) },
              border: { display: false },
            },
          },
          plugins: {
            tooltip: { displayColors: false, callbacks: { label: ({ dataset, parsed }) => `${dataset.label}: ${say(parsed.y ?? 0)}` } },
          },
        },
        plugins: [{ id: "marks", afterDatasetsDraw: (drawn) => drawMarks(drawn, marks, colour("--draft")) }],
      };
    },
    [labels, now, before, marks, say, names],
  );
  const canvas = useChart(configure);
  return (
    <div className="h-[190px]">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}

/** What happened: a line over the height of the chart with a sign on top. */
function drawMarks({ ctx, chartArea, scales }: Chart, marks: readonly ChartMark[], colour: string): void {
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.fillStyle = colour;
  ctx.font = '600 11px "Instrument Sans Variable"';
  ctx.textAlign = "center";
  ctx.setLineDash([2, 3]);
  for (const { at, sign } of marks) {
    const x = scales.x.getPixelForValue(at);
    ctx.beginPath();
    ctx.moveTo(x, chartArea.top);
    ctx.lineTo(x, chartArea.bottom);
    ctx.stroke();
    ctx.fillText(sign, x, chartArea.top - 4);
  }
  ctx.restore();
}
