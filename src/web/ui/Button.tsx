import type { ButtonHTMLAttributes } from "react";

type Look = "plain" | "main" | "bare" | "loss";

const LOOKS: Record<Look, string> = {
  plain: "border-rule bg-raised text-ink hover:border-soft",
  main: "border-press bg-press text-on-press hover:opacity-90",
  bare: "border-transparent bg-transparent text-soft hover:text-ink",
  loss: "border-transparent bg-transparent text-loss hover:underline",
};

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: Look;
}

export function Button({ look = "plain", className = "", type = "button", ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex h-7 max-w-full shrink-0 items-center gap-1.5 overflow-hidden whitespace-nowrap rounded border px-2.5 text-[13px] font-semibold disabled:opacity-45 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}

/** A button that is a picture alone; its name is read out and shown on hover. */
export function IconButton({ label, className = "", ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { label: string }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className={`inline-flex size-7 shrink-0 items-center justify-center rounded text-soft hover:bg-press-soft hover:text-ink disabled:opacity-40 ${className}`}
      {...rest}
    />
  );
}
