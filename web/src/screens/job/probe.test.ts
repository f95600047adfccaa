import { describe, expect, it } from 'vitest';
import type { Proposal, Sheet } from '../../lib/api/client';
import { riser, staircase, tread } from '../../lib/chain/staircase.fixture';
import { asEvidence, probeAt, proposed } from './probe';

const path = staircase(
  [tread('L1', 240), tread('A', 239.8), tread('L2', 0)],
  [riser('limit'), riser('element', { ifSound: 239, ohmsIfSound: 11.2 })]
);
const sheet = {
  supply: { system: 'split-phase' },
  parts: { limit: { id: 'limit', title: 'limit', from: 'L1', to: 'A' } },
  situations: { call: { id: 'call', supplyOn: true }, isolated: { id: 'isolated', supplyOn: false } }
} as unknown as Sheet;

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

describe('what the planner proposes', () => {
  it('becomes a probe with its lifted wires, and evidence with how it was taken', () => {
    const proposal = {
      function: 'ohms',
      across: 'limit',
      red: 'L1',
      black: 'A',
      situation: 'isolated',
      liftedAt: ['A'],
      expect: [{ shown: 'OL', meaning: 'it is the limit', probability: 0.6 }]
    } as unknown as Proposal;
    const probe = proposed(proposal, sheet);
    expect([probe.unit, probe.expectations[0]?.reading]).toEqual(['Ω', 'OL']);
    expect(asEvidence(probe, '0.2', { meter: 'bench', celsius: '95 C', reseated: true })).toEqual({
      function: 'ohms',
      situation: 'isolated',
      value: '0.2',
      across: 'limit',
      liftedAt: ['A'],
      meter: 'bench',
      celsius: '95 C',
      reseated: true
    });
  });

  it('says how hot the part is to be and whether its terminals are put on again', () => {
    const base = { function: 'ohms', across: 'limit', situation: 'isolated', liftedAt: [], expect: [] };
    const hot = { ...base, celsius: 129, reseated: false } as unknown as Proposal;
    expect(proposed(hot, sheet)).toMatchObject({ celsius: '129 C' });
    expect(proposed(hot, sheet).reseated).toBeUndefined();
    const again = { ...base, reseated: true } as unknown as Proposal;
    expect(proposed(again, sheet)).toMatchObject({ reseated: true });
    expect(proposed(again, sheet).celsius).toBeUndefined();
  });

  it('takes the ends of a part where a clamp goes around it', () => {
    const clamp = { function: 'amps-ac', across: 'limit', situation: 'call', liftedAt: [], expect: [] };
    expect(proposed(clamp as unknown as Proposal, sheet)).toMatchObject({ red: 'L1', unit: 'A' });
  });
});
