/** The shop's colour names, many of them fancy, with what they look like. */
export const COLOURS: Record<string, string> = {
  Purple: "#7d5ba6", Violet: "#6a4a9c", Lilac: "#b59acb", Mauve: "#a783a9", Plum: "#6d3a5d", Blue: "#4f6db0", Cobalt: "#2f4f9e", "Powder blue": "#9db6d9", Indigo: "#3d3b82",
  White: "#f5f1e6", Ivory: "#f1e8cf", Cream: "#f0e2b8", Pink: "#dd8fae", "Damask pink": "#d46a8c", "Shell pink": "#efc3c0", Blush: "#f0cfc4", Magenta: "#b8327a",
  Red: "#b3202c", Crimson: "#9e1b32", Claret: "#7d1f35", Scarlet: "#cf3527", Coral: "#e5745a", Apricot: "#eda765", Orange: "#e08a2c", Amber: "#d99a28", Copper: "#b26a3c", Bronze: "#8a6236",
  Yellow: "#edc83f", Primrose: "#f2e08a", Gold: "#dcae2e", Lemon: "#f3e35c", Lime: "#b9cc5a", Green: "#6f9a55", Sage: "#9bab86", Silver: "#b8bfb8", Black: "#3a2f38", Terracotta: "#b9633f", Slate: "#5a6670", Charcoal: "#45464a", Sand: "#d9c6a0", Teal: "#3f7f7b", Navy: "#2d3e5c", Natural: "#c9a97a",
};

export function hexOf(colour: string): string {
  return COLOURS[colour] ?? "#8aa07a";
}
