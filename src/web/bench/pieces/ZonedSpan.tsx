import { localTime, momentAt } from "@core/settings/local-time";
import { TextInput } from "@ui/controls";

interface Span {
  from: string | null;
  until: string | null;
}

interface Props {
  value: Span;
  /** Whose clock is meant (IANA). */
  timeZone: string;
  onChange: (value: Span) => void;
}

/** From which moment to which something holds, on the shop's own clock; open where nothing is said. */
export function ZonedSpan({ value, timeZone, onChange }: Props) {
  return (
    <>
      {(["from", "until"] as const).map((key) => (
        <label key={key} className="flex items-center gap-1.5 text-[12.5px] text-soft">
          {key}
          <TextInput
            type="datetime-local"
            value={toInput(value[key], timeZone)}
            onChange={(event) => onChange({ ...value, [key]: fromInput(event.target.value, timeZone) })}
          />
        </label>
      ))}
    </>
  );
}

const two = (number: number) => String(number).padStart(2, "0");

/** A moment as the field of a form shows it on the clock of the zone. */
export function toInput(moment: string | null, timeZone: string): string {
  if (moment === null) return "";
  const { year, month, day, minutes } = localTime(Date.parse(moment), timeZone);
  return `${String(year).padStart(4, "0")}-${two(month)}-${two(day)}T${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}

export function fromInput(text: string, timeZone: string): string | null {
  const read = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})/.exec(text);
  if (!read) return null;
  const [year, month, day, hours, minutes] = read.slice(1).map(Number);
  return new Date(momentAt({ year, month, day }, hours * 60 + minutes, timeZone)).toISOString();
}
