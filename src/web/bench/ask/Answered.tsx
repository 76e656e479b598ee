import type { UseQueryResult } from "@tanstack/react-query";
import { Button } from "@ui/Button";
import { type HttpError, sayError } from "@ui/http";
import type { ReactNode } from "react";
import { Skeleton } from "./Skeleton";

interface Props<T> {
  of: Pick<UseQueryResult<T, HttpError>, "data" | "error" | "refetch">;
  /** What stands where the answer will stand. */
  loading?: ReactNode;
  children: (answer: T) => ReactNode;
}

/** What was asked for, in one of its pictures: not there yet, failed, or the answer. */
export function Answered<T>({ of: { data, error, refetch }, loading = <Skeleton />, children }: Props<T>) {
  if (error) return <Failed error={error} onRetry={() => void refetch()} />;
  return data === undefined ? loading : children(data);
}

/** Why something is not here, and the way to ask for it again. */
export function Failed({ error, onRetry }: { error: unknown; onRetry: () => void }) {
  return (
    <p role="alert" className="flex items-center gap-2 border-y border-rule py-2 text-[13px] text-loss">
      <span className="min-w-0 flex-1">{sayError(error, "This could not be loaded.")}</span>
      <Button onClick={onRetry}>Try again</Button>
    </p>
  );
}
