import { describe, expect, it } from 'vitest';
import { geometry } from './geometry';
import { riser, staircase, tread } from './staircase.fixture';

const path = staircase(
  [tread('L1', 238), tread('A', 237), tread('L2', 0)],
  [riser('switch'), riser('element')]
);

describe('the staircase', () => {
  const g = geometry(path, { start: 50, step: 100, zero: 300, top: 20 });

  it('has a riser in the middle of every step and treads from riser to riser', () => {
    expect(g.along(0)).toBe(100);
    expect(g.tread(0)).toEqual({ from: 50, to: 100, middle: 75 });
    expect(g.tread(1)).toEqual({ from: 100, to: 200, middle: 150 });
    expect(g.tread(2).to).toBe(250);
  });

  it('puts zero at the foot and the highest potential inside the frame', () => {
    expect(g.level(0)).toBe(300);
    expect(g.level(238)).toBeGreaterThanOrEqual(20);
    expect(g.ticks).toEqual([0, 60, 120, 180, 240]);
  });

  it('writes the ticks of a pile as short as those of mains', () => {
    const pile = staircase([tread('TP', 0.72), tread('TH', 0)], [riser('switch')]);
    expect(geometry(pile, { start: 0, step: 1, zero: 1, top: 0 }).ticks).toEqual([0, 0.2, 0.4, 0.6, 0.8]);
  });
});
