import { DEVICES, type Shelf } from "@core/settings/shelf";
import { Button, IconButton } from "@ui/Button";
import { Select, TextInput } from "@ui/controls";
import { X } from "lucide-react";
import { Line, Lines } from "../../pieces/Lines";
import { Marks } from "../../pieces/Marks";
import { useFilterNames } from "../../pieces/useFilterNames";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { shortDay } from "./say";

interface Props {
  shelf: Shelf;
  onChange: (how: (shelf: Shelf) => Shelf) => void;
}

const WEEK = [1, 2, 3, 4, 5, 6, 7];
const ZONES = Intl.supportedValuesOf("timeZone");

/** Dates, days, hours, devices, languages and chosen filters at which a shelf acts. */
export function WhenForm({ shelf, onChange }: Props) {
  const { store } = useOpen("store");
  const { address } = useWindowParts("address");
  const { when } = shelf;
  const change = (part: Partial<Shelf["when"]>) => onChange((own) => ({ ...own, when: { ...own.when, ...part } }));
  const chosen = Object.entries(address.filters);
  const nameOf = useFilterNames();
  return (
    <Lines wide>
      <Line name="Dates">
        <ZonedSpan
          value={{ from: shelf.from, until: shelf.until }}
          timeZone={when.timeZone}
          onChange={(span) => onChange((own) => ({ ...own, ...span }))}
        />
      </Line>
      <Line name="Days">
        <Marks
          label="Days of the week"
          value={when.weekdays.map(String)}
          options={WEEK.map((weekday) => ({ value: String(weekday), label: shortDay(weekday) }))}
          onChange={(weekdays) => change({ weekdays: weekdays.map(Number).sort() })}
        />
        {when.weekdays.length === 0 && <span className="text-soft">every day</span>}
      </Line>
      <Line name="Hours">
        {when.hours ? (
          <>
            <Time label="From" value={when.hours.from} onChange={(from) => when.hours && change({ hours: { ...when.hours, from } })} />
            to
            <Time label="Until" value={when.hours.until} onChange={(until) => when.hours && change({ hours: { ...when.hours, until } })} />
            <IconButton label="All day" onClick={() => change({ hours: null })}>
              <X className="size-4" />
            </IconButton>
          </>
        ) : (
          <Button look="bare" className="!px-0" onClick={() => change({ hours: { from: "09:00", until: "18:00" } })}>
            Only at certain hours
          </Button>
        )}
        <Select
          label="Time zone"
          value={when.timeZone}
          options={[...new Set([when.timeZone, store.timeZone, "UTC", ...ZONES])].map((value) => ({ value, label: value }))}
          onChange={(timeZone) => change({ timeZone })}
          className="w-44"
        />
      </Line>
      <Line name="Devices">
        <Marks
          label="Devices"
          value={when.devices}
          options={DEVICES.map((value) => ({ value, label: value }))}
          onChange={(devices) => change({ devices: DEVICES.filter((device) => devices.includes(device)) })}
        />
        {when.devices.length === 0 && <span className="text-soft">on all</span>}
      </Line>
      {store.languages.length > 1 && (
        <Line name="Languages">
          <Marks
            label="Languages"
            value={when.languages}
            options={store.languages.map((value) => ({ value, label: value }))}
            onChange={(languages) => change({ languages })}
          />
          {when.languages.length === 0 && <span className="text-soft">in all</span>}
        </Line>
      )}
      <Line name="Filters">
        {Object.entries(when.filters).map(([id, values]) => (
          <span key={id} className="flex items-center gap-1 rounded bg-press-soft pl-2">
            {nameOf(id)}
            {values.length > 0 && `: ${values.join(", ")}`}
            <IconButton
              label={`No longer wait for ${nameOf(id)}`}
              onClick={() => change({ filters: Object.fromEntries(Object.entries(when.filters).filter(([other]) => other !== id)) })}
            >
              <X className="size-4" />
            </IconButton>
          </span>
        ))}
        {chosen.length > 0 ? (
          <Button
            onClick={() =>
              change({
                filters: { ...when.filters, ...Object.fromEntries(chosen.map(([id, choice]) => [id, "any" in choice ? choice.any : []])) },
              })
            }
          >
            Only while what is chosen in the window is
          </Button>
        ) : (
          <span className="text-[12.5px] text-soft">Choose filters in the window to have the shelf wait for them.</span>
        )}
      </Line>
    </Lines>
  );
}

function Time({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <TextInput type="time" aria-label={label} value={value} onChange={(event) => event.target.value && onChange(event.target.value)} />
  );
}
