import type { ReactNode } from "react";

/** Drawings that a banner can carry where it has no picture, in the colour of its text. */

const DRAWN: Readonly<Record<string, ReactNode>> = {
  sprig: (
    <>
      <path d="M48 88C47 66 50 38 64 14" />
      <path d="M50 68C36 66 27 57 24 44c14 0 24 9 26 24ZM53 50c-11-5-17-15-16-28 12 4 18 15 16 28ZM51 64c12-1 22-8 28-20-13-2-24 6-28 20ZM57 42c10-3 17-11 20-22-11 1-19 10-20 22Z" />
    </>
  ),
  sun: (
    <>
      <circle cx="50" cy="50" r="19" />
      <path d="M50 12v10M50 78v10M12 50h10M78 50h10M23 23l7 7M70 70l7 7M77 23l-7 7M30 70l-7 7" />
    </>
  ),
  frost: (
    <path d="M50 12v76M17 31l66 38M17 69l66-38M50 26l-9-8M50 26l9-8M50 74l-9 8M50 74l9 8M29 38l-11 3M29 38l-3-11M71 62l11-3M71 62l3 11M29 62l-11-3M29 62l-3 11M71 38l11 3M71 38l3-11" />
  ),
  parcel: (
    <>
      <path d="M18 38h64v46H18zM14 26h72v12H14zM50 26v58" />
      <path d="M50 26c-6-14-22-16-24-7-1 6 10 8 24 7ZM50 26c6-14 22-16 24-7 1 6-10 8-24 7Z" />
    </>
  ),
  bell: (
    <>
      <path d="M24 70c6-6 8-14 8-26 0-12 8-20 18-20s18 8 18 20c0 12 2 20 8 26Z" />
      <path d="M43 78c1 5 4 7 7 7s6-2 7-7M50 24v-8" />
    </>
  ),
  basket: (
    <>
      <path d="M14 44h72l-9 40H23zM30 44c2-18 10-28 20-28s18 10 20 28" />
      <path d="M36 56v16M50 56v16M64 56v16" />
    </>
  ),
};

export function Drawing({ name, className }: { name: string; className: string }) {
  return (
    <svg
      viewBox="0 0 100 100"
      fill="none"
      stroke="currentColor"
      strokeWidth="3.5"
      strokeLinecap="round"
      strokeLinejoin="round"
      className={className}
      aria-hidden
    >
      {DRAWN[name] ?? null}
    </svg>
  );
}
