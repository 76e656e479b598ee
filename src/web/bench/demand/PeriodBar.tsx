import { Select, TextInput } from "@ui/controls";
import { day } from "@ui/format";
import { useState } from "react";
import { USUAL_DAYS, type useDemandAsked } from "./useDemandAsked";

type Asked = Pick<ReturnType<typeof useDemandAsked>, "choice" | "change">;

interface Props extends Asked {
  languages: readonly string[];
  hasYearAgo: boolean;
  /** First and last day that are looked at, as far as they are known. */
  period: { from: string; until: string } | null;
  /** Whether the comparison can be chosen. */
  compares?: boolean;
  /** Whether the figures are of all people, so that nobody's can be chosen. */
  isOfAll?: boolean;
}

const PERIODS = [
  { value: "7", label: "Last 7 days" },
  { value: "28", label: "Last 28 days" },
  { value: "91", label: "Last 13 weeks" },
  { value: "364", label: "Last 52 weeks" },
];
const NAMED = "named";
const ALL = "all";

/** Which period, against which, and whose searches. */
export function PeriodBar({ choice, change, languages, hasYearAgo, period, compares = true, isOfAll = false }: Props) {
  const [isNaming, setNaming] = useState(false);
  const isNamed = choice.days === null || isNaming;
  const pickPeriod = (value: string) => {
    setNaming(value === NAMED);
    if (value === NAMED) change({ from: period?.from ?? null, until: period?.until ?? null, days: null });
    else change({ days: Number(value) === USUAL_DAYS ? null : value, from: null, until: null });
  };
  const own = PERIODS.some(({ value }) => value === String(choice.days))
    ? []
    : [{ value: String(choice.days), label: `Last ${choice.days} days` }];
  return (
    <div className="mb-3 flex flex-wrap items-center gap-1.5 text-[13px]">
      <Select
        label="Period"
        value={isNamed ? NAMED : String(choice.days)}
        options={[...PERIODS, ...(isNamed ? [] : own), { value: NAMED, label: "From … until …" }]}
        onChange={pickPeriod}
      />
      {isNamed && (
        <>
          <DayInput label="First day" value={choice.from ?? period?.from ?? ""} onChange={(from) => change({ from })} />
          <DayInput label="Last day" value={choice.until ?? period?.until ?? ""} onChange={(until) => change({ until })} />
        </>
      )}
      {compares && hasYearAgo && (
        <Select
          label="Compared with"
          value={choice.against}
          options={[
            { value: "before", label: "Against the time before" },
            { value: "year", label: "Against a year ago" },
          ]}
          onChange={(against) => change({ against: against === "before" ? null : against })}
        />
      )}
      {!isOfAll && <WhoseSearches choice={choice} change={change} languages={languages} />}
      {period && !isNamed && (
        <span className="ml-auto text-[12.5px] whitespace-nowrap text-soft">
          {day(period.from)} to {day(period.until)}
        </span>
      )}
    </div>
  );
}

/** On which devices, in which language and where was searched, and by whom. */
function WhoseSearches({ choice, change, languages }: Asked & { languages: readonly string[] }) {
  return (
    <>
      <Select
        label="Device"
        value={choice.device ?? ALL}
        options={[
          { value: ALL, label: "All devices" },
          { value: "phone", label: "Phones" },
          { value: "tablet", label: "Tablets" },
          { value: "desktop", label: "Desktops" },
          { value: "unknown", label: "Unknown devices" },
        ]}
        onChange={(device) => change({ device: device === ALL ? null : device })}
      />
      {languages.length > 1 && (
        <Select
          label="Language"
          value={choice.language ?? ALL}
          options={[{ value: ALL, label: "All languages" }, ...languages.map((language) => ({ value: language, label: language }))]}
          onChange={(language) => change({ language: language === ALL ? null : language })}
        />
      )}
      <Select
        label="Place"
        value={choice.place ?? ALL}
        options={[
          { value: ALL, label: "All places" },
          { value: "results", label: "Results" },
          { value: "category", label: "Categories" },
          { value: "typing", label: "While typing" },
        ]}
        onChange={(place) => change({ place: place === ALL ? null : place })}
      />
      <Select
        label="People or bots"
        value={choice.bots}
        options={[
          { value: "out", label: "People" },
          { value: "in", label: "People and bots" },
          { value: "only", label: "Bots" },
        ]}
        onChange={(bots) => change({ bots: bots === "out" ? null : bots })}
      />
    </>
  );
}

function DayInput({ label, value, onChange }: { label: string; value: string; onChange: (day: string) => void }) {
  return (
    <TextInput
      type="date"
      aria-label={label}
      value={value}
      onChange={(event) => event.target.value && onChange(event.target.value)}
      className="w-[136px]"
    />
  );
}
