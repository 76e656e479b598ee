import type { FieldReport } from "@contract/fields";
import type { FieldUse } from "@core/insights/catalogue/field-report";
import { lookUp } from "@core/records";
import { add, remove } from "@core/settings/patch";
import { IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { count, decimal, percent } from "@ui/format";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { ChevronDown, Eye, EyeOff, TriangleAlert } from "lucide-react";
import { Link } from "react-router";
import { useBenchParts, useOpen } from "../../state/bench";
import { ROLE_NAMES, TYPE_NAMES } from "../names";
import { BarChart } from "./BarChart";

const USES: Record<FieldUse, { name: string; area: string }> = {
  searchable: { name: "searched", area: "attributes" },
  filter: { name: "filter", area: "filters" },
  "tie-breaker": { name: "breaks ties", area: "ranking/tie-breakers" },
  condition: { name: "in a rule", area: "catalogue/selections" },
  card: { name: "on a card", area: "shop-page/cards" },
  order: { name: "an order", area: "shop-page/layout" },
};

interface Props {
  field: FieldReport;
  isOpen: boolean;
  onOpen: () => void;
}

export function FieldRow({ field, isOpen, onOpen }: Props) {
  const { store } = useOpen("store");
  const { reload } = useBenchParts("reload");
  const change = async (part: { label?: string; shown?: boolean }) => {
    try {
      await ask("PATCH /api/stores/{store}/fields/{key}", { params: { store: store.id, key: field.key }, body: part });
      await reload();
    } catch (error) {
      toast.error(sayError(error, "The field could not be changed."));
    }
  };
  return (
    <div className="border-b border-rule py-1.5">
      <div className="grid grid-cols-[minmax(0,1fr)_96px_28px_28px] items-center gap-x-2">
        <button type="button" onClick={onOpen} className="min-w-0 truncate text-left">
          <b className="font-semibold">{field.label}</b>
          <small className="ml-1.5 text-[12px] text-soft">
            {field.role === "attribute" ? "" : `${ROLE_NAMES[field.role]} · `}
            {TYPE_NAMES[field.type].toLowerCase()}
            {field.unit && ` in ${field.unit}`}
            {field.perOption && ", by option"}
          </small>
        </button>
        <Fill share={field.coverage} />
        <IconButton
          label={field.shown ? `Shoppers may see ${field.label}` : `Shoppers never see ${field.label}`}
          aria-pressed={field.shown}
          onClick={() => void change({ shown: !field.shown })}
          className={field.shown ? "" : "text-loss"}
        >
          {field.shown ? <Eye className="size-4" /> : <EyeOff className="size-4" />}
        </IconButton>
        <IconButton label={`More about ${field.label}`} aria-expanded={isOpen} onClick={onOpen}>
          <ChevronDown className={`size-4 transition-transform ${isOpen ? "rotate-180" : ""}`} />
        </IconButton>
      </div>
      <p className="truncate pr-16 text-[12.5px]/[18px] text-soft">{fact(field)}</p>
      {field.warnings.map((warning) => (
        <p key={warning.kind} className="flex items-start gap-1.5 text-[12.5px]/[18px] text-draft">
          <TriangleAlert className="mt-[2px] size-3.5 shrink-0" aria-hidden />
          {warning.message}
        </p>
      ))}
      {isOpen && <Details field={field} onRename={(label) => void change({ label })} store={store.id} />}
    </div>
  );
}

function Details({ field, onRename, store }: { field: FieldReport; onRename: (label: string) => void; store: string }) {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const sentence = lookUp(settings.sentences, field.key) ?? "";
  const isBareNumber = field.type === "number" && field.role === "attribute" && !field.unit;
  return (
    <div className="mt-2 mb-1 flex flex-col gap-2 text-[13px]">
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-soft">Called</span>
        <TextLine
          label={`Name of ${field.label}`}
          value={field.label}
          onCommit={(label) => label.trim() && onRename(label.trim())}
          className="w-44"
        />
        <span className="text-soft">Key {field.key}</span>
        <span className="ml-auto flex gap-2 text-[12.5px]">
          {field.uses.length === 0 && <span className="text-soft">used nowhere</span>}
          {field.uses.map((use) => (
            <Link key={use} to={`/bench/${store}/${USES[use].area}`} className="text-press">
              {USES[use].name}
            </Link>
          ))}
        </span>
      </div>
      {isBareNumber && (
        <div className="flex flex-wrap items-center gap-2">
          <span className="text-soft">Searched as</span>
          <TextLine
            label={`Sentence form of ${field.label}`}
            value={sentence}
            placeholder="{value} cm pot"
            className="w-44"
            onCommit={(text) => {
              if (text.trim() === "") void edit(sentence ? [remove(["sentences", field.key])] : []);
              else if (!text.includes("{value}"))
                toast.error("A sentence form holds {value} in place of the number, as in “{value} cm pot”.");
              else void edit([add(["sentences", field.key], text.trim())]);
            }}
          />
          <span className="text-soft">{"{value}"} is the number</span>
        </div>
      )}
      {field.bars.length > 1 && <BarChart bars={field.bars} label={`Values of ${field.label}`} />}
      {field.otherValues > 0 && <p className="text-[12.5px] text-soft">and {count(field.otherValues)} more values</p>}
      {field.bars.length <= 1 && field.samples.length > 0 && (
        <ul className="text-soft">
          {field.samples.map((sample) => (
            <li key={sample}>“{sample}”</li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Fill({ share }: { share: number }) {
  return (
    <span className="flex items-center gap-1.5 text-[12px] text-soft" title={`Filled for ${percent(share)} of the products`}>
      <span className="h-[5px] flex-1 bg-rule" aria-hidden>
        <span className="block h-full bg-live" style={{ width: `${share * 100}%` }} />
      </span>
      <span className="w-9 text-right tabular-nums">{percent(share)}</span>
    </span>
  );
}

function fact(field: FieldReport): string {
  if (field.coverage === 0) return "Empty for every product.";
  const parts = [`${count(field.distinct)} ${field.distinct === 1 ? "value" : "different values"}`];
  if (field.type === "text" && field.averageLength >= 3) parts.push(`${decimal(field.averageLength, 1)} words on average`);
  const samples = field.samples.slice(0, 3).map((sample) => (sample.length > 40 ? `${sample.slice(0, 40)}…` : sample));
  return `${parts.join(", ")}: ${samples.join(" · ")}`;
}
