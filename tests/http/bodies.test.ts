import { connect } from "node:net";
import { ask, startCorner, type TestServer } from "../support/server";

const store = "/api/stores/corner";
const MB = 1024 * 1024;

describe("bodies that are too large", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
  });
  afterAll(() => server.stop());

  /** Sends a body in pieces of a megabyte, of no length that is said, until the server answers or all is sent. @returns how much was sent. */
  function pour(path: string, type: string, most: number): Promise<{ status: number; sent: number }> {
    const { hostname, port } = new URL(server.url);
    return new Promise((done, fail) => {
      const socket = connect(Number(port), hostname);
      let sent = 0;
      let answer = "";
      const end = () => {
        socket.destroy();
        done({ status: Number(/^HTTP\/1\.1 (\d+)/.exec(answer)?.[1] ?? 0), sent });
      };
      const more = () => {
        if (answer !== "") return;
        if (sent >= most) return void socket.write("0\r\n\r\n");
        sent += MB;
        socket.write(`${MB.toString(16)}\r\n${"a".repeat(MB)}\r\n`, more);
      };
      socket.on("data", (chunk) => {
        answer += chunk.toString();
        end();
      });
      socket.on("error", (error) => (answer === "" ? fail(error) : undefined));
      socket.write(
        `POST ${path} HTTP/1.1\r\nhost: ${hostname}:${port}\r\ncontent-type: ${type}\r\ntransfer-encoding: chunked\r\n\r\n`,
        more,
      );
    });
  }

  test.each([
    [`${store}/words/read`, "text/csv"],
    [`${store}/shelves/read`, "text/csv"],
    [`${store}/box/list/read`, "text/csv"],
    [`${store}/recommendations/read`, "text/csv"],
    [`${store}/search`, "application/json"],
    [`${store}/events`, "application/json"],
  ])("are refused at %s before they are read whole", async (path, type) => {
    const { status, sent } = await pour(path, type, 200 * MB);
    expect([status, sent < 40 * MB]).toEqual([413, true]);
    expect((await ask<{ total: number }>(server, "POST", `${store}/search`, { query: "rose" })).body.total).toBe(2);
  });
});
