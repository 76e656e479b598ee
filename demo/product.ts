/** A line of the demo's feed. Column names are those of a shop's own system; the import works out what they are. */
export interface DemoProduct {
  id: string;
  title: string;
  botanicalName?: string;
  brand: string;
  category: string[];
  sku: string;
  tags: string[];
  description: string;
  flowerColour?: string[];
  flowering?: string[];
  height?: string;
  spread?: string;
  light?: string[];
  soil?: string[];
  hardyTo?: string;
  evergreen?: boolean;
  scented?: boolean;
  goodForBees?: boolean;
  peatFree?: boolean;
  sowing?: string[];
  harvest?: string[];
  seedCount?: number;
  potSize?: string;
  colour?: string;
  size?: string;
  material?: string;
  capacity?: string;
  length?: string;
  weight?: string;
  guarantee?: string;
  occasion?: string[];
  author?: string;
  pages?: number;
  price: number;
  salePrice?: number;
  margin: number;
  stock: number;
  rating?: number;
  ratingCount?: number;
  sold: number;
  added: string;
  picture: string;
  options?: DemoOption[];
}

export interface DemoOption {
  id: string;
  sku: string;
  potSize?: string;
  colour?: string;
  size?: string;
  price: number;
  stock: number;
}

/** What the makers of products fill in; the rest (id, sales, stock, picture address) is added to all alike. */
export type Sketch = Omit<
  DemoProduct,
  "id" | "sku" | "margin" | "stock" | "rating" | "ratingCount" | "sold" | "added" | "picture" | "options"
> & {
  /** What it is, in the words of whoever made it; the feed does not tell. */
  kind: string;
  /** Name of the drawing and the colours it is drawn in. */
  drawing: string;
  tints: string[];
  /** How much shoppers want it, around 1. */
  appeal?: number;
  variants?: Omit<DemoOption, "id" | "sku" | "stock">[];
};
