import type { PartProps } from "./part-props";
import { Actions } from "./parts/Actions";
import { Badges } from "./parts/Badges";
import { Line } from "./parts/Line";
import { Options } from "./parts/Options";
import { Picture } from "./parts/Picture";
import { Price } from "./parts/Price";
import { Rating } from "./parts/Rating";
import { StockNote } from "./parts/StockNote";
import { Title } from "./parts/Title";

/** One part of a card. */
export function CardPartView({ part, ...rest }: PartProps) {
  switch (part.kind) {
    case "picture":
      return <Picture part={part} {...rest} />;
    case "title":
      return <Title part={part} {...rest} />;
    case "price":
      return <Price part={part} {...rest} />;
    case "rating":
      return <Rating part={part} {...rest} />;
    case "line":
      return <Line part={part} {...rest} />;
    case "options":
      return <Options part={part} {...rest} />;
    case "stock":
      return <StockNote part={part} {...rest} />;
    case "badges":
      return <Badges part={part} {...rest} />;
    case "actions":
      return <Actions part={part} {...rest} />;
  }
}
