export const SERVERS: string[];
export function ownAddress(url: string, accept: string, isSource: (path: string) => boolean): string | undefined;
