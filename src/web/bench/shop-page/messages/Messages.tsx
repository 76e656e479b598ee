import { lookUp } from "@core/records";
import { type MessageId, usualText } from "@core/settings/message-texts";
import { add, remove } from "@core/settings/patch";
import { sayIn } from "@core/storefront/say-in";
import { Segments, TextInput } from "@ui/controls";
import { useMemo, useState } from "react";
import { Empty, Screen, Section } from "../../frame/Screen";
import { useLanguage } from "../../pieces/LabelLine";
import { useBenchParts, useOpen } from "../../state/bench";
import { groupsOf } from "./groups";
import { MessageRow } from "./MessageRow";

const LEAD = "Every sentence that shoppers read. What is not written here is said as usual, in English or German.";

/** All messages of a language, by where they are read; found by what they say. */
export default function Messages() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  const { language, choice } = useLanguage();
  const [wanted, setWanted] = useState("");
  const [shown, setShown] = useState<"all" | "own">("all");
  const own = lookUp(settings.messages, language) ?? {};
  const say = useMemo(() => sayIn(language, own), [language, own]);
  // Found by what it says, and by what it usually says, so that it stays in sight while it is written anew.
  const textOf = (id: MessageId) => `${own[id] ?? ""} ${usualText(id, language)}`;
  const groups = groupsOf(wanted, textOf)
    .map(({ place, ids }) => ({ place, ids: ids.filter((id) => shown === "all" || own[id] !== undefined) }))
    .filter(({ ids }) => ids.length > 0);
  const change = (id: MessageId, text: string | null) => {
    if (text === null) return void edit([remove(["messages", language, id])]);
    void edit([...(lookUp(settings.messages, language) ? [] : [add(["messages", language], {})]), add(["messages", language, id], text)]);
  };
  return (
    <Screen title="Messages" lead={LEAD}>
      <div className="mb-2 flex items-center gap-2">
        <TextInput
          type="search"
          aria-label="Find a message"
          placeholder="Find a message"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className="flex-1"
        />
        <Segments
          label="Which messages"
          value={shown}
          options={[
            { value: "all", label: "all" },
            { value: "own", label: "changed" },
          ]}
          onChange={setShown}
        />
        {choice}
      </div>
      <details className="mb-1 text-[12.5px] text-soft">
        <summary className="cursor-pointer">How numbers and choices are written</summary>
        <p className="mt-1 max-w-[480px]">
          What is in braces is put in: <code>{"{n}"}</code>, or with thousands set apart <code>{"{n, number}"}</code>. Where one and many
          differ: <code>{"{n, plural, =0 {nothing} one {# product} other {# products}}"}</code>; # means the number. This is ICU
          MessageFormat.
        </p>
      </details>
      {groups.length === 0 && <Empty>{wanted ? `No message says “${wanted}”.` : "Nothing is changed in this language."}</Empty>}
      {groups.map(({ place, ids }) => (
        <Section key={place} title={place}>
          <ul className="border-t border-rule">
            {ids.map((id) => (
              <MessageRow
                key={`${language}/${id}`}
                id={id}
                text={own[id] ?? null}
                was={lookUp(live.messages, language)?.[id] ?? null}
                language={language}
                say={say}
                onChange={(text) => change(id, text)}
              />
            ))}
          </ul>
        </Section>
      ))}
    </Screen>
  );
}
