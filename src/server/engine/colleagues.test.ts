import { Colleagues } from "./colleagues";

const maud = { tab: "m", name: "Maud", where: "words/rules" };

describe("who is here", () => {
  it("comes, moves and leaves, and each is told", () => {
    const colleagues = new Colleagues();
    const told = jest.fn();
    const end = colleagues.watch(told);
    const leave = colleagues.come(maud);
    colleagues.move("m", { name: "Maud", where: "filters" });
    colleagues.move("nobody", { name: "Nobody", where: "" });
    expect(colleagues.all()).toEqual([{ ...maud, where: "filters" }]);
    leave();
    leave();
    expect([colleagues.all(), told.mock.calls.length]).toEqual([[], 3]);
    end();
    colleagues.come(maud);
    expect(told).toHaveBeenCalledTimes(3);
  });

  it("stays where the end of a cut connection is noticed after the next one was made", () => {
    const colleagues = new Colleagues();
    const [first, second] = [colleagues.come(maud), colleagues.come(maud)];
    first();
    expect(colleagues.all()).toEqual([maud]);
    second();
    expect(colleagues.all()).toEqual([]);
  });

  it("is no more than anybody needs; whoever is here may come again", () => {
    const colleagues = new Colleagues();
    for (let i = 0; i < 200; i++) colleagues.come({ ...maud, tab: String(i) });
    expect(() => colleagues.come(maud)).toThrow("open 200 times");
    expect(() => colleagues.come({ ...maud, tab: "7" })).not.toThrow();
  });
});
