import { parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { lookUp } from "../records";
import { type MessageId, namesOf } from "./message-texts";

type Elements = ReturnType<typeof parse>;

/**
 * What is wrong with a message, in words; null when it is a good ICU message that names nothing but what can be put in.
 *
 * @example
 * checkMessage("results.count", "{n, plural, one {# thing}}") // "“other” is missing in the choice for “n”."
 */
export function checkMessage(id: MessageId, text: string): string | null {
  let elements: Elements;
  try {
    elements = parse(text, { captureLocation: true });
  } catch (error) {
    return sayParseError(error, text);
  }
  const names = namesOf(id);
  const unknown = argumentsOf(elements).find((name) => !names.includes(name));
  if (unknown === undefined) return null;
  const known = names.length === 0 ? "Nothing can be put into this message" : `It can name ${names.map((name) => `{${name}}`).join(", ")}`;
  return `{${unknown}} is not known here. ${known}.`;
}

function sayParseError(error: unknown, text: string): string {
  const { message, location } = error as Error & { location?: { start: { offset: number } } };
  const at = location?.start.offset;
  const where = at === undefined ? "" : ` after “${text.slice(Math.max(0, at - 14), at) || "the beginning"}”`;
  return `${lookUp(ERRORS, message) ?? "This is not written as ICU messages are"}${where}.`;
}

const ERRORS: Record<string, string> = {
  EXPECT_ARGUMENT_CLOSING_BRACE: "A closing brace is missing",
  EMPTY_ARGUMENT: "There is nothing between the braces",
  MALFORMED_ARGUMENT: "What is in the braces is no name",
  INVALID_ARGUMENT_TYPE: "This kind of value is not known; there are number, date, time, plural, select and selectordinal",
  MISSING_OTHER_CLAUSE: "The choice “other” is missing",
  EXPECT_PLURAL_ARGUMENT_SELECTOR: "A choice such as one {…} is missing",
  EXPECT_PLURAL_ARGUMENT_SELECTOR_FRAGMENT: "A text in braces is missing",
  EXPECT_SELECT_ARGUMENT_SELECTOR: "A choice such as other {…} is missing",
  EXPECT_SELECT_ARGUMENT_SELECTOR_FRAGMENT: "A text in braces is missing",
  EXPECT_SELECT_ARGUMENT_OPTIONS: "The choices are missing",
  DUPLICATE_PLURAL_ARGUMENT_SELECTOR: "The same choice is there twice",
  DUPLICATE_SELECT_ARGUMENT_SELECTOR: "The same choice is there twice",
  UNMATCHED_CLOSING_TAG: "A tag is closed that was not opened",
  UNCLOSED_TAG: "A tag is not closed",
  INVALID_TAG: "This is no tag; write < as '<'",
};

/** Names that a message uses, those in its choices too. */
function argumentsOf(elements: Elements): string[] {
  return elements.flatMap((element) => {
    switch (element.type) {
      case TYPE.literal:
      case TYPE.pound:
        return [];
      case TYPE.plural:
      case TYPE.select:
        return [element.value, ...Object.values(element.options).flatMap((option) => argumentsOf(option.value))];
      case TYPE.tag:
        return [`<${element.value}>`, ...argumentsOf(element.children)];
      default:
        return [element.value];
    }
  });
}
