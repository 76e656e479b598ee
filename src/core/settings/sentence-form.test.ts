import type { Field } from "../catalogue/types";
import { sentenceFormOf } from "./sentence-form";

const field = (label: string, more: Partial<Field> = {}): Field => ({
  key: "k",
  label,
  type: "number",
  role: "attribute",
  unit: null,
  perOption: false,
  shown: true,
  ...more,
});

test("a bare number is said with the words of its label", () => {
  expect(["Seed count", "Pages", "Number of drawers", "Pot size (cm)"].map((label) => sentenceFormOf(field(label)))).toEqual([
    "{value} seed",
    "{value} pages",
    "{value} drawers",
    "{value} pot",
  ]);
});

test("a number with a unit, one that shoppers never see, one with a role, and a label without a word have none", () => {
  expect(sentenceFormOf(field("Height", { unit: "cm" }))).toBeNull();
  expect(sentenceFormOf(field("Margin", { shown: false }))).toBeNull();
  expect(sentenceFormOf(field("Price", { role: "price" }))).toBeNull();
  expect(sentenceFormOf(field("Number"))).toBeNull();
  expect(sentenceFormOf(field("Title", { type: "text" }))).toBeNull();
});
