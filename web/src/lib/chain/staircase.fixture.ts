import type { Riser, Staircase, Tread } from '../api/client';

/** A point at such a potential, as expected as believed. */
export function tread(point: string, volts: number, measured?: number): Tread {
  const read = measured === undefined ? {} : { measured, uncertainty: 2 };
  return { point, expected: volts, estimated: volts, low: volts, high: volts, ...read };
}

/** A link of a 240 V chain. */
export function riser(part: string, more: Partial<Riser> = {}): Riser {
  return { part, ifSound: 0.3, ifOpen: 240, ohmsIfSound: 0.12, amperesIfSound: 20, ...more };
}

export function staircase(treads: Tread[], risers: Riser[]): Staircase {
  return { id: 'heat', title: 'Heat', situation: 'call', reference: 'L2', treads, risers };
}
