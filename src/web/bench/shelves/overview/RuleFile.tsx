export function RuleFile() {
  return null;
}
