import { ask, CSV, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

const store = "/api/stores/corner";
const ROWS = Array.from({ length: 5_000 }, (_, i) => `W${i},Weed number ${i},Weeds,1,1,`).join("\n");

describe("a server that is killed while a catalogue is taken into use", () => {
  let server: TestServer;
  afterEach(() => server.stop());

  const total = async (query: string) => (await ask<{ total: number }>(server, "POST", `${store}/search`, { query })).body.total;

  test.each(["import laid over", "import switched", "import taken into use"])(
    "at “%s” has what was changed meanwhile, one of the two catalogues whole, and a job that says which",
    async (endsAt) => {
      const made = await startCorner();
      await made.end("SIGTERM");
      server = await startServer({ data: made.data, endsAt });
      const { process: doomed } = server;
      await ask(server, "POST", `${store}/feed?format=csv`, `${CSV}${ROWS}\n`);
      await ask(server, "PATCH", `${store}/products/A3`, { values: { title: "Narrow spade" } });
      await ask(server, "DELETE", `${store}/products/A4`);
      await ask(server, "POST", `${store}/pages`, { id: "g", title: "On weeds", text: "Pull them." });
      await until(async () => doomed.signalCode === "SIGKILL", "the end of the server");

      server = await startServer({ data: made.data });
      expect([await total("narrow spade"), await total("fork")]).toEqual([1, 0]);
      const pages = await ask<{ id: string }[]>(server, "GET", `${store}/pages`);
      expect(pages.body.map(({ id }) => id)).toEqual(["g"]);
      const isNew = (await total("weed number 4711")) > 0;
      expect(isNew).toBe(endsAt !== "import laid over");
      const [job] = (await ask<{ state: string; message: string }[]>(server, "GET", `${store}/jobs`)).body;
      expect([job.state, job.message]).toEqual(
        isNew
          ? ["done", "5003 products are in use."]
          : ["failed", "The server stopped before the job was done. The former catalogue is untouched; send the file again."],
      );
      // The former catalogue takes further changes as the new one does.
      await ask(server, "PATCH", `${store}/products/A3`, { values: { title: "Broad spade" } });
      expect(await total("broad spade")).toBe(1);
    },
  );
});
