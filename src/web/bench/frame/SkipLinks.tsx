/** The first steps of the keyboard: past the frame to the work, or to what shoppers see. */
export function SkipLinks() {
  return (
    <>
      <Skip to="work">Skip to the work</Skip>
      <Skip to="shopper-window">Skip to the shopper window</Skip>
    </>
  );
}

function Skip({ to, children }: { to: string; children: string }) {
  return (
    <a
      href={`#${to}`}
      onClick={(event) => {
        event.preventDefault();
        document.getElementById(to)?.focus();
      }}
      className="sr-only z-50 rounded bg-press px-3 py-1.5 font-semibold text-on-press focus:not-sr-only focus:fixed focus:top-1.5 focus:left-2"
    >
      {children}
    </a>
  );
}
