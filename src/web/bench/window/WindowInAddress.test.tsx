/** @jest-environment jsdom */
import { act, render, waitFor } from "@testing-library/react";
import { createBrowserRouter, RouterProvider } from "react-router";
import { START } from "../../shop/address";
import { useWindow } from "../state/window";
import { SHOWN } from "../state/window-address";
import { useWindowInAddress } from "./WindowInAddress";

function Page() {
  useWindowInAddress();
  return null;
}

/** A page at an address, with a router that writes the browser's own. */
function open(at: string) {
  window.history.replaceState(null, "", at);
  useWindow.setState({ ...SHOWN });
  const router = createBrowserRouter([{ path: "*", Component: Page }]);
  render(<RouterProvider router={router} />);
  return { router, search: () => decodeURIComponent(window.location.search) };
}
const query = () => useWindow.getState().address.query;
const look = (text: string) => act(() => useWindow.getState().go({ ...START, query: text }));

describe("window and address", () => {
  it("an address is looked at, and what is looked at comes into it, as a step to go back to", async () => {
    const { router, search } = open("/bench/s/filters?q=rose&open=b");
    await waitFor(() => expect(query()).toBe("rose"));
    look("spade");
    await waitFor(() => expect(search()).toBe("?open=b&q=spade"));
    await act(() => router.navigate(-1));
    await waitFor(() => expect(query()).toBe("rose"));
    expect(search()).toContain("q=rose");
  });

  it("a link to another screen leaves the window as it is, one that says something of it leads it there", async () => {
    const { router, search } = open("/bench/s/filters?q=rose");
    await waitFor(() => expect(query()).toBe("rose"));
    await act(() => router.navigate("/bench/s/words"));
    await waitFor(() => expect(search()).toBe("?q=rose"));
    await act(() => router.navigate("/bench/s/words?q=tulip"));
    await waitFor(() => expect(query()).toBe("tulip"));
  });

  it("what is changed while an address is on its way, or another part of it changes, stays", async () => {
    const { router, search } = open("/bench/s/filters?q=rose");
    await waitFor(() => expect(query()).toBe("rose"));
    look("spade");
    // A row is opened before the address knows of the search.
    await act(() => router.navigate("/bench/s/filters?q=rose&open=b", { replace: true }));
    expect(query()).toBe("spade");
    await waitFor(() => expect(search()).toBe("?open=b&q=spade"));
    // The address is being written when somebody goes on.
    await act(async () => {
      const written = router.navigate("/bench/s/filters?open=b&q=fork", { state: "window" });
      useWindow.getState().go({ query: "rake" });
      await written;
    });
    expect(query()).toBe("rake");
    await waitFor(() => expect(search()).toBe("?open=b&q=rake"));
  });
});
