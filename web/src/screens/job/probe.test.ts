import { describe, expect, it } from 'vitest';
import type { Assessment, Sheet, Staircase } from '../../lib/api/client';
import { asEvidence, nextChoice, probeAt, SUPPLY } from './probe';

const tread = (point: string, volts: number) => ({
  point,
  expected: volts,
  estimated: volts,
  low: volts,
  high: volts
});
const path: Staircase = {
  id: 'heat',
  title: 'Heat',
  situation: 'call',
  reference: 'L2',
  treads: [tread('L1', 240), tread('A', 239.8), tread('L2', 0)],
  risers: [
    { part: 'limit', ifSound: 0.3, ifOpen: 240, ohmsIfSound: 0.12, amperesIfSound: 20 },
    { part: 'element', ifSound: 239, ifOpen: 240, ohmsIfSound: 11.2, amperesIfSound: 20 }
  ]
};
const sheet = {
  supply: { system: 'split-phase' },
  situations: { call: { id: 'call', supplyOn: true }, isolated: { id: 'isolated', supplyOn: false } }
} as unknown as Sheet;

function assessment(readings: Record<string, string>, supply: string, leading: object): Assessment {
  return {
    parts: ['limit', 'element'].map((id) => ({
      id,
      title: id,
      verdict: 'untested',
      reading: readings[id] ?? ''
    })),
    supply: { verdict: supply },
    leading: { part: 'limit', mode: 'open', probability: 0.3, confirmed: false, ...leading }
  } as unknown as Assessment;
}

describe('the probe that is put to the technician', () => {
  it('names points, function and what would mean what', () => {
    const probe = probeAt(path, sheet, 0, 'drop');
    expect([probe.red, probe.black, probe.function]).toEqual(['L1', 'A', 'volts-ac']);
    expect(probe.expectations.map((e) => e.reading)).toEqual(['about 0.30 V', 'about 240.0 V']);
  });

  it('takes ohms only where the supply is off', () => {
    expect(probeAt(path, sheet, 1, 'ohms').situation).toBe('isolated');
    expect(asEvidence(probeAt(path, sheet, 1, 'ohms'), 'OL')).toEqual({
      function: 'ohms',
      situation: 'isolated',
      value: 'OL',
      across: 'element'
    });
  });
});

describe('the plain order', () => {
  it('starts at the supply, goes along the wire and ends at the suspect', () => {
    expect(nextChoice(path, assessment({}, 'unmeasured', {}), true).riser).toBe(SUPPLY);
    expect(nextChoice(path, assessment({ limit: '0.1 V' }, 'sound', {}), true).riser).toBe(1);
    const confirm = nextChoice(path, assessment({ limit: '240 V' }, 'sound', { probability: 0.99 }), true);
    expect(confirm).toMatchObject({ riser: 0, way: 'ohms', why: 'confirm the limit' });
  });

  it('offers no live step without a live permit', () => {
    expect(nextChoice(path, assessment({}, 'unmeasured', {}), false)).toMatchObject({
      riser: 0,
      way: 'ohms'
    });
  });
});
