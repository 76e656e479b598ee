import { availableParallelism } from "node:os";
import { resolve } from "node:path";
import { OptionError, readOptions } from "./options";

const said = (...args: string[]) => readOptions(args, {});
const refused = (...args: string[]) => {
  try {
    said(...args);
  } catch (error) {
    return error instanceof OptionError ? error.message : `a defect: ${error}`;
  }
  return "accepted";
};

describe("what is said where the server is started", () => {
  test("nothing at all: this machine alone, with limits that a shop does not reach", () => {
    expect(said()).toEqual({
      directory: resolve("data"),
      port: 4820,
      publicPort: null,
      names: { host: "127.0.0.1", bench: [], shop: [] },
      trusted: [],
      limits: {
        requestsPerClient: 300,
        requestsPerStore: 3000,
        eventsPerClient: 500,
        eventsPerStore: 2000,
      },
      workers: {
        searchWorkers: availableParallelism(),
        searchBudget: 300,
        waitingPerClient: 64,
        waitingPerStore: 256,
        waiting: 512,
        slowSearch: 300,
      },
      quotas: { stores: 100, events: 20_000_000 },
      logLevel: "info",
      writesAccess: false,
      backups: null,
      stopWait: 8,
      follows: null,
      token: null,
    });
  });

  test("flags, and the environment where there is none", () => {
    const env = {
      PORT: "5000",
      HOST: "0.0.0.0",
      CLEVER_SHELF_DATA: "/srv/shelf",
      CLEVER_SHELF_PUBLIC_ORIGIN: "https://a.example, https://b.example",
    };
    const options = readOptions(["--host", "::1", "--trust-proxy", "10.0.0.0/8", "--trust-proxy", "loopback", "--most-stores", "3"], env);
    expect(options.port).toBe(5000);
    expect(options.directory).toBe("/srv/shelf");
    expect(options.names).toEqual({ host: "::1", bench: [], shop: ["https://a.example", "https://b.example"] });
    expect(options.trusted).toEqual(["10.0.0.0/8", "loopback"]);
    expect(options.quotas.stores).toBe(3);
  });

  test("what cannot be read is said with what it should be", () => {
    expect(refused("--port", "http")).toBe("--port: “http” is not a port. Use a number from 0 to 65535.");
    expect(refused("--public-port", "65536")).toMatch(/^--public-port: “65536” is not a port/);
    expect(refused("--bench-origin", "bench.example")).toMatch(/is not an origin\. Use scheme, name and port, such as https:/);
    expect(refused("--public-origin", "https://shop.example/search")).toMatch(/is not an origin/);
    expect(refused("--trust-proxy", "nearby")).toMatch(/use addresses or networks/);
    expect(refused("--requests-per-client", "0")).toBe("--requests-per-client: “0” is no whole number from 1.");
    expect(refused("--most-events", "many")).toMatch(/no whole number/);
    expect(refused("--colour", "red")).toMatch(/colour/);
  });
});
