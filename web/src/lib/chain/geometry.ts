import type { Staircase } from '../api/client';

/**
 * Where a staircase is drawn: every part has a step of equal width along the chain with its riser in
 * the middle; treads run from riser to riser. Upright, the chain runs down and potential to the right.
 */
export interface Geometry {
  along: (riser: number) => number;
  tread: (index: number) => { from: number; to: number; middle: number };
  level: (volts: number) => number;
  ticks: number[];
}

export interface Frame {
  /** px along the chain */
  start: number;
  step: number;
  /** px of zero volts and of the highest */
  zero: number;
  top: number;
}

export function geometry(path: Staircase, frame: Frame): Geometry {
  const highest = Math.max(
    1e-3,
    ...path.treads.flatMap((t) => [t.expected, t.high, (t.measured ?? 0) + (t.uncertainty ?? 0)])
  );
  const step = tickStep(highest);
  const full = Math.ceil((highest * 0.985) / step) * step;
  const along = (riser: number) => frame.start + (riser + 0.5) * frame.step;
  const last = path.risers.length;
  return {
    along,
    tread: (index) => {
      const from = index === 0 ? frame.start : along(index - 1);
      const to = index === last ? frame.start + last * frame.step : along(index);
      return { from, to, middle: (from + to) / 2 };
    },
    level: (volts) => frame.zero + (frame.top - frame.zero) * (volts / full),
    ticks: Array.from({ length: Math.round(full / step) + 1 }, (_, i) => Number((i * step).toPrecision(6)))
  };
}

/** A step of 1, 2, 3 or 6 times a power of ten that makes four to seven ticks. */
function tickStep(highest: number): number {
  const decade = 10 ** Math.floor(Math.log10(highest / 4));
  for (const factor of [1, 2, 3, 6, 10]) {
    if (highest / (factor * decade) <= 6) return factor * decade;
  }
  return 10 * decade;
}
