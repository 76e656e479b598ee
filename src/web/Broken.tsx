import { useRouteError } from "react-router";

/** What is shown where a page cannot be drawn at all: what happened, and the way back. */
export function Broken() {
  const error = useRouteError();
  return (
    <main role="alert" className="mx-auto max-w-[480px] px-6 py-20">
      <h1 className="mb-2 text-[22px]">This page could not be shown</h1>
      <p className="mb-4">
        Something that it needs did not come, or broke off. What was saved is safe. Load the page again; if it stays so, tell whoever looks
        after the installation{error instanceof Error ? " what is below." : "."}
      </p>
      {error instanceof Error && <p className="mb-4 text-[13px] [overflow-wrap:anywhere]">{error.message}</p>}
      <a href={window.location.pathname} className="font-semibold underline">
        Load again
      </a>
    </main>
  );
}
