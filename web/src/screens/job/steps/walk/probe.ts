import type { Evidence, PathTest, PathTests, Proposal, Sheet } from '../../../../lib/api/client';

/** How a link is measured. */
export type Way = PathTest['way'];

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

const UNITS: Record<string, string> = { volts: 'V', ohms: 'Ω', amps: 'A' };

function unit(meterFunction: string): string {
  return UNITS[meterFunction.split('-')[0] ?? ''] ?? '';
}

/** What the functions of a meter are called. */
export const FUNCTIONS: Record<string, string> = {
  'volts-ac': 'AC volts',
  'volts-dc': 'DC volts',
  'volts-ac-loz': 'AC volts, low impedance',
  ohms: 'Ohms',
  continuity: 'Continuity',
  'amps-ac': 'AC clamp',
  'amps-dc': 'DC clamp'
};

/** The functions that read something on a unit of this supply. */
export function functionsOf(sheet: Sheet, probe: Probe): string[] {
  const other = sheet.supply.system === 'dc' ? ['volts-ac', 'volts-ac-loz', 'amps-ac'] : ['amps-dc'];
  return Object.keys(FUNCTIONS).filter((f) => !other.includes(f) || f === probe.function);
}

/** The ways in which what stands at a riser can be measured. */
export function testsAt(tests: PathTests | undefined, riser: number): PathTest[] {
  return (riser === SUPPLY ? tests?.supply : tests?.links[riser]?.tests) ?? [];
}

/** What the technician chose to measure; the first way where there is no such one. */
export function chosenProbe(tests: PathTests | undefined, choice: Choice): Probe | undefined {
  const offered = testsAt(tests, choice.riser);
  const test = offered.find((t) => t.way === choice.way) ?? offered[0];
  return (
    test && {
      red: test.red,
      black: test.black,
      function: test.function,
      unit: unit(test.function),
      situation: test.situation,
      ...(test.across ? { across: test.across } : {}),
      liftedAt: test.liftedAt,
      expectations: test.expect.map((e) => ({ reading: e.shown, meaning: e.meaning }))
    }
  );
}

/** Whether it is read without power, as it is taken now. */
export function readsOhms(probe: Probe | undefined, how: How): boolean {
  return ['ohms', 'continuity'].includes(how.function || (probe?.function ?? ''));
}

/** The reading in another state of the unit: with the power off ohms, with it on volts. */
export function inState(sheet: Sheet, probe: Probe, how: How, situation: string): void {
  how.situation = situation;
  const on = sheet.situations[situation]?.supplyOn ?? false;
  if (on === readsOhms(probe, how)) {
    const volts = sheet.supply.system === 'dc' ? 'volts-dc' : 'volts-ac';
    how.function = on ? volts : 'ohms';
  }
}

/** Where all else is off once a part's own plug or wires are off. */
function freedAt(probe: Probe): string[] {
  return probe.liftedAt?.length ? probe.liftedAt : [probe.red, probe.black];
}

export function asEvidence(probe: Probe, value: string, how: How = PLAIN): Evidence {
  const item = {
    function: how.function || probe.function,
    situation: how.situation || probe.situation,
    value,
    ...(how.freed ? { liftedAt: freedAt(probe) } : {}),
    ...(how.meter ? { meter: how.meter } : {}),
    ...(how.celsius.trim() ? { celsius: how.celsius } : {}),
    ...(how.reseated ? { reseated: true } : {})
  };
  return probe.across ? { ...item, across: probe.across } : { ...item, red: probe.red, black: probe.black };
}

/** What the planner proposes to measure. */
export function proposed(proposal: Proposal, sheet: Sheet): Probe {
  const part = proposal.across ? sheet.parts[proposal.across] : undefined;
  const fn = proposal.function ?? '';
  return {
    red: proposal.red ?? part?.from ?? '',
    black: proposal.black ?? part?.to ?? '',
    function: fn,
    unit: unit(fn),
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
  /** Whether the part's own plug or wires were off. */
  freed: boolean;
  /** Another function or state than the probe's; empty where it is the probe's. */
  function: string;
  situation: string;
}

export const PLAIN: How = {
  meter: '',
  celsius: '',
  reseated: false,
  freed: false,
  function: '',
  situation: ''
};

/** A link and a way that the technician chose. */
export interface Choice {
  riser: number;
  way: Way;
}
