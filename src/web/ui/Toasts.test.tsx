/** @jest-environment jsdom */
import { act, render, screen } from "@testing-library/react";
import { Toasts } from "./Toasts";
import { toast } from "./toast";

test("a message appears whether it was said before there was a place for it or after", async () => {
  toast.error("The server cannot be reached.");
  render(<Toasts />);
  await screen.findByText("The server cannot be reached.");
  act(() => toast("Link copied."));
  await screen.findByText("Link copied.");
});
