import { describe, expect, it } from 'vitest';
import type { PathTest, PathTests } from '../../../../lib/api/client';
import * as fixtures from '../../../../lib/api/fixtures';
import { asEvidence, chosenProbe, inState, PLAIN, proposed, SUPPLY, testsAt } from './probe';

const sheet = fixtures.sheet({
  parts: { limit: fixtures.part('limit', 'limit', 'L1', 'A') }
});

function test(way: PathTest['way'], more: Partial<PathTest> = {}): PathTest {
  return {
    way,
    title: way,
    live: way !== 'ohms',
    function: way === 'ohms' ? 'ohms' : 'volts-ac',
    red: 'L1',
    black: 'A',
    across: 'limit',
    situation: way === 'ohms' ? 'isolated' : 'call',
    liftedAt: [],
    expect: [{ shown: 'about 240 V', meaning: 'it is the open one' }],
    ...more
  };
}

const tests: PathTests = {
  path: 'heat',
  supply: [test('drop', { black: 'L2', across: undefined })],
  links: [{ part: 'limit', tests: [test('drop'), test('ohms', { liftedAt: ['A'] })] }]
};

describe('the probe that the technician chooses', () => {
  it('names points, function and what would mean what', () => {
    const probe = chosenProbe(tests, { riser: 0, way: 'drop' });
    expect(probe).toMatchObject({ red: 'L1', black: 'A', function: 'volts-ac', unit: 'V' });
    expect(probe?.expectations).toEqual([{ reading: 'about 240 V', meaning: 'it is the open one' }]);
  });

  it('has a wire off only where the technician says so', () => {
    const probe = chosenProbe(tests, { riser: 0, way: 'ohms' });
    const onIt = { function: 'ohms', situation: 'isolated', value: 'OL', across: 'limit' };
    expect(probe && asEvidence(probe, 'OL')).toEqual(onIt);
    expect(probe && asEvidence(probe, 'OL', { ...PLAIN, freed: true })).toEqual({
      ...onIt,
      liftedAt: ['A']
    });
  });

  it('is filed under the function and the state that stand beside the field', () => {
    const probe = chosenProbe(tests, { riser: 0, way: 'ohms' });
    const how = { ...PLAIN, function: 'continuity', situation: 'isolated-off' };
    expect(probe && asEvidence(probe, 'beep', how)).toMatchObject({
      function: 'continuity',
      situation: 'isolated-off'
    });
  });

  it('is read with ohms where the power is off, and with volts where it is on', () => {
    const situation = { id: '', title: '', celsius: {}, commands: [] };
    const dryer = {
      ...sheet,
      situations: { call: { ...situation, supplyOn: true }, off: { ...situation, supplyOn: false } }
    };
    const probe = chosenProbe(tests, { riser: 0, way: 'drop' });
    if (!probe) throw new Error('no probe');
    const how = { ...PLAIN };
    inState(dryer, probe, how, 'off');
    expect(how).toMatchObject({ situation: 'off', function: 'ohms' });
    inState(dryer, probe, how, 'call');
    expect(how).toMatchObject({ situation: 'call', function: 'volts-ac' });
  });

  it('is between the terminals at the supply, whatever way was chosen before', () => {
    const probe = chosenProbe(tests, { riser: SUPPLY, way: 'clamp' });
    expect(probe).toMatchObject({ red: 'L1', black: 'L2' });
    expect(probe?.across).toBeUndefined();
  });

  it('is none where nothing may be measured', () => {
    expect(testsAt(tests, 5)).toEqual([]);
    expect(chosenProbe(undefined, { riser: 0, way: 'drop' })).toBeUndefined();
  });
});

describe('what the planner proposes', () => {
  it('becomes a probe with its lifted wires, and evidence with how it was taken', () => {
    const proposal = fixtures.proposal({
      function: 'ohms',
      red: 'L1',
      situation: 'isolated',
      liftedAt: ['A'],
      expect: [{ shown: 'OL', meaning: 'it is the limit', probability: 0.6, outcome: '' }]
    });
    const probe = proposed(proposal, sheet);
    expect([probe.unit, probe.expectations[0]?.reading]).toEqual(['Ω', 'OL']);
    expect(
      asEvidence(probe, '0.2', {
        ...PLAIN,
        meter: 'bench',
        celsius: '95 C',
        reseated: true,
        freed: true
      })
    ).toEqual({
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
    const hot = fixtures.proposal({ celsius: 129 });
    expect(proposed(hot, sheet)).toMatchObject({ celsius: '129 C' });
    expect(proposed(hot, sheet).reseated).toBeUndefined();
    const again = fixtures.proposal({ reseated: true });
    expect(proposed(again, sheet)).toMatchObject({ reseated: true });
    expect(proposed(again, sheet).celsius).toBeUndefined();
  });

  it('takes the ends of a part where a clamp goes around it', () => {
    const clamp = fixtures.proposal({ function: 'amps-ac', red: undefined, black: undefined });
    expect(proposed(clamp, sheet)).toMatchObject({ red: 'L1', unit: 'A' });
  });
});
