import { isMoney } from "@core/catalogue/types";
import { suitableDisplays } from "@core/filters/displays";
import { lookUp } from "@core/records";
import type { Filter } from "@core/settings/filter";
import { fieldsOfFilter } from "@core/settings/read-filter";
import { Segments, TextLine, Toggle } from "@ui/controls";
import { count, percent } from "@ui/format";
import { ArrowLeft } from "lucide-react";
import { useState } from "react";
import { Link, Navigate, useParams } from "react-router";
import { sayNumber } from "../../shop/filters/labels";
import { Section } from "../frame/Screen";
import { Diamond } from "../pieces/Diamond";
import { withText } from "../pieces/LabelLine";
import { useFilterNames } from "../pieces/useFilterNames";
import { useOpen } from "../state/bench";
import { ControlChoice } from "./ControlChoice";
import { changeFilter } from "./edits";
import { Levels } from "./Levels";
import { Scale } from "./Scale";
import { Shown } from "./Shown";
import { Sources } from "./Sources";
import { useFilterFacts, useLook } from "./useFilterFacts";
import { Values } from "./values/Values";
import { Where } from "./Where";
import { sayAbsence, sayWorth, warningsOf } from "./warnings";

/** Everything about one filter, with what it holds beside each choice. */
export function OneFilter() {
  const { id = "" } = useParams();
  const { settings, live, store, fields, front } = useOpen("settings", "live", "store", "fields", "front");
  const filter = lookUp(settings.filters, id);
  const look = useLook(filter ?? null);
  const facts = useFilterFacts();
  const nameOf = useFilterNames();
  const [language, setLanguage] = useState(store.locale.split("-")[0]);
  if (!filter) return <Navigate to=".." relative="path" replace />;
  const label = nameOf(id, language);
  const change = (part: Partial<Filter>) => changeFilter(id, part);
  const first = fields.find((field) => fieldsOfFilter(filter).includes(field.key));
  const isNumbers = look ? look.numbers !== null : first?.type === "number";
  const described = first ?? { type: isNumbers ? ("number" as const) : ("keyword" as const), key: "", role: "attribute" };
  const displays = suitableDisplays(
    filter.from.length > 1 && !isNumbers ? { ...described, type: "list" } : described,
    look?.values.length ?? 9,
  );
  const alike = (facts?.alike ?? []).flatMap(([a, b]) => (a === id ? [nameOf(b)] : b === id ? [nameOf(a)] : []));
  const warnings = warningsOf({ look, worth: lookUp(facts?.filters, id), alike, searches: facts?.searches ?? 0 });
  const isDraft = JSON.stringify(filter) !== JSON.stringify(lookUp(live.filters, id));
  return (
    <div className="h-full overflow-y-auto px-5 pt-3 pb-10">
      <Link to=".." relative="path" className="inline-flex items-center gap-1 text-[13px] text-soft no-underline hover:text-ink">
        <ArrowLeft className="size-3.5" /> All filters
      </Link>
      <div className="relative mt-1 flex items-center gap-3">
        {isDraft && <Diamond className="absolute top-3 -left-[13px]" />}
        <h1 className="sr-only">Filter {label}</h1>
        <TextLine
          label={`Name of the filter ${label}`}
          value={label}
          title="Emptied, it is called as its field is."
          onCommit={(text) => change({ label: withText(filter.label, language, text) })}
          className="!h-8 w-56 font-head !text-[19px] font-semibold"
        />
        {store.languages.length > 1 && (
          <Segments
            label="Language of the names"
            value={language}
            options={store.languages.map((value) => ({ value, label: value }))}
            onChange={setLanguage}
          />
        )}
        <span className="ml-auto flex items-center gap-2 text-[13px] text-soft">
          {filter.on ? "on" : "off"}
          <Toggle checked={filter.on} label={`${label}: on`} onChange={(on) => change({ on })} />
        </span>
      </div>
      <p className="mt-1 text-[13px] text-soft">
        {look && (
          <>
            {percent(look.filled)} of the products have it
            {look.results > 0 && `, ${percent(look.filledHere)} of the ${count(look.results)} results at hand`}.{" "}
          </>
        )}
        {facts && lookUp(facts.filters, id) && sayWorth(lookUp(facts.filters, id), facts.searches)}
      </p>
      {look?.absence && filter.on && <p className="mt-1 text-[13px] text-draft">{sayAbsence(look.absence)}</p>}
      {warnings.map((warning) => (
        <p key={warning} className="mt-1 text-[13px] text-loss">
          {warning}
        </p>
      ))}
      <Section title="Control">
        <ControlChoice id={id} label={label} display={filter.display} displays={displays} onChange={(display) => change({ display })} />
      </Section>
      {look && !isNumbers && (
        <Section title="Values" note={`${count(look.values.length + look.more)} in the catalogue`}>
          <Values filter={filter} look={look} language={language} onChange={change} />
        </Section>
      )}
      {look?.numbers && (
        <Section title="Scale">
          <Scale
            filter={filter}
            numbers={look.numbers}
            unit={front.fields.find(({ key }) => key === first?.key)?.unit ?? null}
            say={(value) => sayNumber({ id, ...(filter.numbers.unit ? { unit: filter.numbers.unit } : {}) }, front, value)}
            isMoney={first !== undefined && isMoney(first)}
            onChange={change}
          />
        </Section>
      )}
      {first?.type === "path" && filter.from.length === 1 && (
        <Section title="Levels" note="of the category tree">
          <Levels filter={filter} onChange={change} />
        </Section>
      )}
      <Section title="Comes from">
        <Sources filter={filter} onChange={change} />
      </Section>
      <Section title="Where and when">
        <Where filter={filter} look={look} onChange={change} />
      </Section>
      <Section title="How it is shown">
        <Shown filter={filter} language={language} isNumbers={isNumbers} onChange={change} />
      </Section>
    </div>
  );
}
