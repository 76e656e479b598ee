export interface Finding {
  line: number;
  rule: string;
  message: string;
}
export function findingsIn(path: string, text: string, allowed?: ReadonlySet<string>): Finding[];
export function exceptionsOf(config: { forbidden: { name: string; from: object; to?: object }[] }, tests: readonly string[]): string[];
