import type { Assessment, Evidence, Sheet, Staircase } from '../../lib/api/client';
import { amperes, ohms, volts } from '../../lib/format/format';

/** How a link is measured. */
export type Way = 'drop' | 'to-return' | 'ohms' | 'clamp';

export const WAYS: { way: Way; title: string; live: boolean }[] = [
  { way: 'drop', title: 'Live drop', live: true },
  { way: 'to-return', title: 'Live to return', live: true },
  { way: 'ohms', title: 'Isolated ohms', live: false },
  { way: 'clamp', title: 'Clamp amperes', live: true }
];

/** The supply stands before the first riser. */
export const SUPPLY = -1;

/** A probe as it is put to the technician: where, how, and what would mean what. */
export interface Probe {
  red: string;
  black: string;
  function: string;
  unit: string;
  situation: string;
  across?: string;
  expectations: { reading: string; meaning: string }[];
}

export function probeAt(path: Staircase, sheet: Sheet, riser: number, way: Way): Probe {
  const dc = sheet.supply.system === 'dc';
  const voltage = dc ? 'volts-dc' : 'volts-ac';
  const first = path.treads[0];
  const link = path.risers[riser];
  if (!link) {
    return {
      red: first?.point ?? '',
      black: path.reference,
      function: voltage,
      unit: 'V',
      situation: path.situation,
      expectations: [
        { reading: volts(first?.expected ?? 0), meaning: 'the supply is there' },
        { reading: 'far less', meaning: 'a dead leg or a low supply: look there first' }
      ]
    };
  }
  const from = path.treads[riser];
  const to = path.treads[riser + 1];
  const base = {
    red: from?.point ?? '',
    black: to?.point ?? '',
    situation: path.situation,
    across: link.part
  };
  const load = link.ifSound > 0.5 * link.ifOpen;
  switch (way) {
    case 'ohms': {
      const off = Object.values(sheet.situations).find((s) => !s.supplyOn);
      return {
        ...base,
        function: 'ohms',
        unit: 'Ω',
        situation: off?.id ?? path.situation,
        expectations:
          ohms(link.ohmsIfSound) === 'OL'
            ? [{ reading: 'OL', meaning: 'as a sound one: it closes only when it is commanded' }]
            : [
                { reading: `about ${ohms(link.ohmsIfSound)}`, meaning: 'it passes as it should' },
                { reading: 'OL', meaning: 'it is open' }
              ]
      };
    }
    case 'clamp':
      return {
        ...base,
        function: dc ? 'amps-dc' : 'amps-ac',
        unit: 'A',
        expectations: [
          { reading: `about ${amperes(link.amperesIfSound)}`, meaning: 'its load draws what it should' },
          { reading: '0 A', meaning: 'nothing flows: something in this path is open' }
        ]
      };
    case 'to-return': {
      const red = to && to.point !== path.reference ? to : from;
      return {
        red: red?.point ?? '',
        black: path.reference,
        function: voltage,
        unit: 'V',
        situation: path.situation,
        expectations: [
          { reading: volts(red?.expected ?? 0), meaning: 'all before it passes' },
          { reading: 'far less', meaning: 'something before it is open' }
        ]
      };
    }
    default:
      return {
        ...base,
        function: voltage,
        unit: 'V',
        expectations: load
          ? [
              {
                reading: `about ${volts(link.ifSound)}`,
                meaning: 'it is fed; its amperes show that it works'
              },
              { reading: 'near 0 V', meaning: 'something else holds the supply' }
            ]
          : [
              { reading: `about ${volts(link.ifSound)}`, meaning: 'it passes, if current flows' },
              { reading: `about ${volts(link.ifOpen)}`, meaning: 'it is the open one' }
            ]
      };
  }
}

export function asEvidence(probe: Probe, value: string): Evidence {
  const item = { function: probe.function, situation: probe.situation, value };
  return probe.across ? { ...item, across: probe.across } : { ...item, red: probe.red, black: probe.black };
}

export interface Choice {
  riser: number;
  way: Way;
  why: string;
}

/**
 * What to measure next in the plain order: the supply, then along the wire, then the suspect by itself.
 */
export function nextChoice(path: Staircase, assessment: Assessment, live: boolean): Choice {
  const { leading } = assessment;
  const suspect = path.risers.findIndex((r) => r.part === leading.part);
  if (suspect >= 0 && leading.probability > 0.9 && !leading.confirmed) {
    const title = assessment.parts.find((p) => p.id === leading.part)?.title ?? leading.part;
    return {
      riser: suspect,
      way: leading.mode === 'dropping' && live ? 'drop' : 'ohms',
      why: `confirm the ${title}`
    };
  }
  if (live && assessment.supply.verdict === 'unmeasured') {
    return { riser: SUPPLY, way: 'drop', why: 'supply first' };
  }
  const unknown = path.risers.findIndex((r) => {
    const part = assessment.parts.find((p) => p.id === r.part);
    return part && ['untested', 'unclear'].includes(part.verdict) && !part.reading;
  });
  return { riser: Math.max(unknown, 0), way: live ? 'drop' : 'ohms', why: 'along the wire' };
}
