import { describe, expect, it } from 'vitest';
import type { Unit } from '../../lib/api/client';
import { shortFor } from './tags';

const units = ['LAU-2', 'LAU-12', 'LAB-2', 'GAL-3'].map(
  (tag) => ({ id: tag, tag, title: tag, place: '' }) as Unit
);

describe('a short tag', () => {
  it.each([
    ['g3', 'GAL-3'],
    ['lau2', 'LAU-2'],
    ['lau 12', 'LAU-12'],
    ['l12', 'LAU-12']
  ])('%s is meant of %s', (typed, tag) => {
    expect(shortFor(typed, units)?.tag).toBe(tag);
  });

  it.each(['l2', 'l', '3', 'g33', 'bunkhouse dryer', ''])('%s is meant of none', (typed) => {
    expect(shortFor(typed, units)).toBeUndefined();
  });
});
