import type ts from "typescript";
import type { Finding } from "./rules.mjs";

export function lookupsIn(program: ts.Program, root: string, isMeant: (path: string) => boolean): (Finding & { path: string })[];
export function programOf(root: string): ts.Program;
