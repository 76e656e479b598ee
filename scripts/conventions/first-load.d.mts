export function wayToSchema(entry: string, read: (path: string) => string | null): string[] | null;
