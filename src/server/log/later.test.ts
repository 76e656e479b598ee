import { later } from "./later";

describe("work that is put off", () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it("is done once for all that came meanwhile", () => {
    let times = 0;
    const { soon } = later(
      () => times++,
      100,
      () => undefined,
    );
    soon();
    soon();
    expect(times).toBe(0);
    jest.advanceTimersByTime(100);
    expect(times).toBe(1);
    jest.advanceTimersByTime(1000);
    expect(times).toBe(1);
  });

  it("is told and tried again when it fails", () => {
    const told: unknown[] = [];
    let isFull = true;
    let times = 0;
    const work = () => {
      times++;
      if (isFull) throw new Error("disk is full");
    };
    const { soon } = later(work, 100, (error) => told.push(error));
    soon();
    jest.advanceTimersByTime(250);
    expect([times, told.length]).toEqual([2, 2]);
    isFull = false;
    jest.advanceTimersByTime(100);
    expect([times, told.length]).toEqual([3, 2]);
    jest.advanceTimersByTime(1000);
    expect(times).toBe(3);
  });

  it("is done at once when that is asked for, and not again; what fails is told, and tried again", () => {
    let times = 0;
    let isFull = false;
    const work = () => {
      times++;
      if (isFull) throw new Error("disk is full");
    };
    const told: unknown[] = [];
    const { soon, now } = later(work, 100, (error) => told.push(error));
    soon();
    now();
    jest.advanceTimersByTime(1000);
    expect(times).toBe(1);
    isFull = true;
    now();
    expect(told).toEqual([new Error("disk is full")]);
    isFull = false;
    jest.advanceTimersByTime(100);
    expect(times).toBe(3);
  });

  it("is not done once it is stopped", () => {
    let times = 0;
    const { soon, stop } = later(
      () => times++,
      100,
      () => undefined,
    );
    soon();
    stop();
    jest.advanceTimersByTime(1000);
    expect(times).toBe(0);
  });
});
