import type { BoxBlock } from "../settings/box/block";
import type { BoxMomentName } from "../settings/box/usual";
import type { MessageId } from "../settings/message-texts";
import { messagesIn, usualText } from "../settings/message-texts";
import { labelIn } from "../settings/ranked";
import type { Settings } from "../settings/schema";

/** What a block is called: as the merchandiser wrote it, else as the shop says it, else as usual. */
export function headingOf(block: BoxBlock, moment: BoxMomentName, { messages }: Pick<Settings, "messages">, language: string): string {
  const own = labelIn(block.heading, language, "");
  if (own) return own;
  const id = usualHeading(block, moment);
  return id ? (messagesIn(messages, language)[id] ?? usualText(id, language)) : "";
}

const SEARCHES = { hand: "box.searches", asked: "box.asked", rising: "box.rising", closest: "dead-end.try" } as const;
const PRODUCTS = {
  matching: "box.products",
  hand: "box.products",
  bestselling: "box.selling",
  rising: "box.wanted",
  newest: "home.newest",
  closest: "dead-end.like",
} as const;

/** null for what has no heading, or one of its own. */
export function usualHeading(block: BoxBlock, moment: BoxMomentName): MessageId | null {
  switch (block.kind) {
    case "recent":
      return "box.recent";
    case "searches":
      return SEARCHES[block.pick];
    case "completions":
      return "box.searches";
    case "products":
      return PRODUCTS[block.pick];
    case "categories":
      return moment === "focus" ? "box.departments" : "box.categories";
    case "pages":
      return "guides.title";
    case "tips":
      return "dead-end.tips";
    default:
      return null;
  }
}
