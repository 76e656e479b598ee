import { type ReactNode, useEffect, useRef, useState } from "react";
import { DEVICE_WIDTHS } from "../state/window";
import type { Device } from "../state/window-address";

/** The shop at a device's true width; where there is less room it is drawn smaller, and said how much. */
export function DeviceFrame({ device, children }: { device: Device; children: ReactNode }) {
  const [room, setRoom] = useState(0);
  const outer = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!outer.current) return;
    const watcher = new ResizeObserver(([entry]) => setRoom(Math.floor(entry.contentRect.width)));
    watcher.observe(outer.current);
    return () => watcher.disconnect();
  }, []);
  const width = device === "wide" ? null : DEVICE_WIDTHS[device];
  const zoom = width && room > 0 && room < width ? room / width : 1;
  return (
    <div ref={outer} className="min-h-full">
      {width && zoom < 1 && (
        <p className="border-b border-rule bg-raised px-3.5 py-0.5 text-[12px] text-soft">
          {width} px wide, drawn at {Math.round(zoom * 100)} %
        </p>
      )}
      <div
        className={`min-h-full ${width ? "mx-auto box-content border-x border-rule" : ""}`}
        style={width ? { width: `${width}px`, zoom: zoom < 1 ? zoom : undefined } : undefined}
      >
        {children}
      </div>
    </div>
  );
}
