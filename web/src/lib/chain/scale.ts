import { getContext, setContext } from 'svelte';
import type { Staircase } from '../api/client';
import { geometry, type Geometry } from './geometry';

/** What every mark of a staircase is drawn by. */
export interface Scale extends Geometry {
  path: Staircase;
  width: number;
  height: number;
  /** The chain runs down and potential to the right. */
  upright: boolean;
  /** px of a place along the chain at such a potential. */
  at: (along: number, volts: number) => { x: number; y: number };
  /** A rectangle from place to place and from volts to volts, as far wider as pad px. */
  box: (
    from: number,
    to: number,
    low: number,
    high: number,
    pad: number
  ) => { x: number; y: number; width: number; height: number };
}

export interface Size {
  width: number;
  height: number;
  /** px before the first step, for the labels of the axis */
  margin: number;
}

export function scale(path: Staircase, { width, height, margin }: Size, upright: boolean): Scale {
  const g = upright
    ? geometry(path, { start: 0, step: height / path.risers.length, zero: 8, top: width - 8 })
    : geometry(path, {
        start: margin,
        step: (width - margin) / path.risers.length,
        zero: height - 16,
        top: 44
      });
  const at = (along: number, volts: number) =>
    upright ? { x: g.level(volts), y: along } : { x: along, y: g.level(volts) };
  const box = (from: number, to: number, low: number, high: number, pad: number) => {
    const [a, b] = [at(from, high), at(to, low)];
    const [left, top] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
    const across = upright ? { x: pad, y: 0 } : { x: 0, y: pad };
    return {
      x: left - across.x,
      y: top - across.y,
      width: Math.abs(a.x - b.x) + 2 * across.x,
      height: Math.abs(a.y - b.y) + 2 * across.y
    };
  };
  return { ...g, path, width, height, upright, at, box };
}

const KEY = Symbol('staircase scale');

/** The scale changes with the window, so what is shared is the way to it. */
export function shareScale(current: () => Scale): void {
  setContext(KEY, current);
}

export function sharedScale(): () => Scale {
  return getContext<() => Scale>(KEY);
}
