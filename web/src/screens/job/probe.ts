import type { Evidence, Proposal, Sheet, Staircase } from '../../lib/api/client';
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
  liftedAt?: string[];
  /** What it asks for of how it is taken. */
  celsius?: string;
  reseated?: boolean;
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

export function asEvidence(probe: Probe, value: string, how: How = PLAIN): Evidence {
  const item = {
    function: probe.function,
    situation: probe.situation,
    value,
    ...(probe.liftedAt?.length ? { liftedAt: probe.liftedAt } : {}),
    ...(how.meter ? { meter: how.meter } : {}),
    ...(how.celsius.trim() ? { celsius: how.celsius } : {}),
    ...(how.reseated ? { reseated: true } : {})
  };
  return probe.across ? { ...item, across: probe.across } : { ...item, red: probe.red, black: probe.black };
}

const UNITS: Record<string, string> = { volts: 'V', ohms: 'Ω', amps: 'A' };

/** What the planner proposes to measure. */
export function proposed(proposal: Proposal, sheet: Sheet): Probe {
  const part = proposal.across ? sheet.parts[proposal.across] : undefined;
  const fn = proposal.function ?? '';
  return {
    red: proposal.red ?? part?.from ?? '',
    black: proposal.black ?? part?.to ?? '',
    function: fn,
    unit: UNITS[fn.split('-')[0] ?? ''] ?? '',
    situation: proposal.situation,
    ...(proposal.across ? { across: proposal.across } : {}),
    liftedAt: proposal.liftedAt,
    ...(proposal.celsius === undefined ? {} : { celsius: `${proposal.celsius} C` }),
    ...(proposal.reseated ? { reseated: true } : {}),
    expectations: proposal.expect.map((e) => ({ reading: e.shown, meaning: e.meaning }))
  };
}

/** How a reading was taken, where that is out of the ordinary. */
export interface How {
  meter: string;
  celsius: string;
  reseated: boolean;
}

export const PLAIN: How = { meter: '', celsius: '', reseated: false };

/** A link and a way that the technician chose. */
export interface Choice {
  riser: number;
  way: Way;
}
