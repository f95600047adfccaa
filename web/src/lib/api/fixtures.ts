import type {
  SessionView,
  Assessment,
  Complaint,
  Drawing,
  Entry,
  JobView,
  Part,
  PathTest,
  PathTests,
  Proposal,
  Sheet
} from './client';

/** A made-up heater of one chain, L - limit - A - element - N, as the server would tell it. For tests. */

export function part(
  id: string,
  kind: Part['kind'],
  from: string,
  to: string,
  more: Partial<Part> = {}
): Part {
  return {
    id,
    kind,
    title: id,
    from,
    to,
    caseLeak: false,
    behaviour: { madeWhen: '', feels: 'ambient' },
    notes: '',
    partners: [],
    ...more
  };
}

const byId = <T extends { id: string }>(...all: T[]): Record<string, T> =>
  Object.fromEntries(all.map((one) => [one.id, one]));

export function sheet(more: Partial<Sheet> = {}): Sheet {
  return {
    key: 'heater',
    identify: {},
    title: 'A heater',
    family: 'other',
    notes: '',
    supply: {
      system: 'single-phase',
      volts: 240,
      hertz: 60,
      sourceOhms: 0.1,
      storedCharge: false,
      tolerance: 0.05,
      terminals: { line1: 'L', neutral: 'N' }
    },
    points: byId(
      { id: 'L', title: 'Limit in', pin: 'brown' },
      { id: 'A', title: 'Limit out' },
      { id: 'N', title: 'Neutral' }
    ),
    parts: byId(
      part('limit', 'limit', 'L', 'A', { title: 'high limit' }),
      part('element', 'heating-element', 'A', 'N', {
        behaviour: { rating: { ohms: 16, powerFactor: 1, runsAbove: 0.7 }, tolerance: 0.1 }
      })
    ),
    situations: byId(
      { id: 'call', title: 'Heat called', supplyOn: true, celsius: {}, commands: [] },
      { id: 'isolated', title: 'Isolated', supplyOn: false, celsius: {}, commands: [] }
    ),
    complaints: byId(complaint('cold', 'Stays cold')),
    access: {},
    codes: {},
    commands: {},
    paths: {},
    strays: { toCaseFarads: 1e-10, toNeighboursFarads: 5e-11 },
    ...more
  };
}

export function complaint(id: string, title: string): Complaint {
  return { id, title, situation: 'call', runs: [], notRunning: [], suspects: [], how: 'always', outside: 0 };
}

export function proposal(more: Partial<Proposal> = {}): Proposal {
  return {
    id: 'volts-ac L A call',
    kind: 'measure',
    function: 'volts-ac',
    red: 'L',
    black: 'A',
    across: 'limit',
    situation: 'call',
    liftedAt: [],
    reseated: false,
    title: 'AC volts across the high limit',
    steps: [],
    expect: [],
    why: 'Settles 40 % of what is open in 0.6 min.',
    minutes: 0.6,
    opening: 0,
    bits: 1,
    confirms: false,
    hazards: ['Live: one hand.'],
    ...more
  };
}

export function entry(number: number, more: Partial<Entry> = {}): Entry {
  return {
    id: `e${number}`,
    number,
    item: { across: 'limit', situation: 'call', value: '237.8' },
    takenAt: '2026-01-05T10:00:00Z',
    struckWhy: '',
    ...more
  };
}

export function assessment(more: Partial<Assessment> = {}): Assessment {
  const passing = { probability: 0.0001, modes: [], reading: '', because: [] };
  return {
    parts: [
      { ...passing, id: 'limit', title: 'high limit', verdict: 'untested' },
      { ...passing, id: 'element', title: 'element', verdict: 'passes' }
    ],
    supply: { verdict: 'unmeasured', probability: 0, because: [] },
    leading: {
      part: 'unit',
      mode: 'sound',
      title: 'nothing wrong',
      probability: 0.3,
      confirmed: false,
      alternatives: []
    },
    paths: [
      {
        id: 'heat',
        title: 'Heat',
        situation: 'call',
        reference: 'N',
        treads: [
          { point: 'L', expected: 240, estimated: 240, low: 239, high: 241 },
          { point: 'A', expected: 240, estimated: 240, low: 239, high: 241 },
          { point: 'N', expected: 0, estimated: 0, low: 0, high: 0 }
        ],
        risers: [
          { part: 'limit', ifSound: 0.3, ifOpen: 240, ohmsIfSound: 0.1, amperesIfSound: 15 },
          { part: 'element', ifSound: 240, ifOpen: 240, ohmsIfSound: 16, amperesIfSound: 15 }
        ]
      }
    ],
    flags: [],
    evidence: [],
    unexplained: 0,
    plates: [],
    ...more
  };
}

export function job(more: Partial<JobView['job']> = {}): JobView['job'] {
  return {
    id: 'j',
    owner: '',
    changes: 0,
    liveBy: '',
    unitId: 'u',
    unitTag: 'LAU-2',
    unitTitle: 'Dryer',
    unitModel: '',
    unitPlace: '',
    sheetKey: 'heater',
    sheetRevision: 1,
    complaint: 'cold',
    customerWords: '',
    permit: 'live',
    technician: '',
    openedAt: '2026-02-03T04:05:06Z',
    outcome: '',
    closedAs: '',
    struckWhy: '',
    version: 1,
    ...more
  };
}

/** A job in which the work is at that state of the plan. */
export function jobView(more: Partial<JobView> = {}): JobView {
  return {
    job: job(),
    sheetTitle: 'A heater',
    newestRevision: 1,
    complaintTitle: 'Stays cold',
    evidence: [],
    policy: {},
    assessment: assessment(),
    plan: plan('ask', []),
    visit: visit(),
    meters: [],
    entries: [],
    print: { facts: [], offered: [], asked: [] },
    missing: {},
    ...more
  };
}

/** A visit of which nothing was told. */
export function visit(more: Partial<JobView['visit']> = {}): JobView['visit'] {
  return {
    progress: [],
    ends: 'repaired',
    supply: [],
    watches: [],
    timelines: [],
    before: [],
    hazards: [],
    simple: [],
    accesses: [],
    cause: { wears: false, state: 'not-needed', causes: [], otherwise: 0, next: [], answered: [], say: '' },
    actions: [],
    renewed: [],
    sets: [],
    proofs: [],
    currents: [],
    prevention: [],
    summary: '',
    next: '',
    ...more
  };
}

export function plan(state: JobView['plan']['state'], next: Proposal[], say = ''): JobView['plan'] {
  return { state, say, confirmBy: '', next, expected: { probes: 1, minutes: 1 } };
}

function pathTest(way: PathTest['way'], across: string, red: string, black: string): PathTest {
  const live = way !== 'ohms';
  return {
    way,
    title: live ? 'Live drop' : 'Isolated ohms',
    live,
    function: live ? 'volts-ac' : 'ohms',
    red,
    black,
    ...(across ? { across } : {}),
    situation: live ? 'call' : 'isolated',
    liftedAt: [],
    expect: []
  };
}

export const pathTests: PathTests[] = [
  {
    path: 'heat',
    supply: [pathTest('drop', '', 'L', 'N')],
    links: [
      { part: 'limit', tests: [pathTest('drop', 'limit', 'L', 'A'), pathTest('ohms', 'limit', 'L', 'A')] },
      {
        part: 'element',
        tests: [pathTest('drop', 'element', 'A', 'N'), pathTest('ohms', 'element', 'A', 'N')]
      }
    ]
  }
];

/** The same heater drawn: both parts in one row. */
export const drawing: Drawing = {
  path: 'heat',
  columns: 2,
  rows: 1,
  spots: ['L', 'A', 'N'].map((point, column) => ({ point, column, row: 0, top: 0, bottom: 0 })),
  parts: [
    { part: 'limit', row: 0, from: 0, to: 1, at: 0.5 },
    { part: 'element', row: 0, from: 1, to: 2, at: 1.5 }
  ]
};

/** Somebody at work, with the key of this device's entries. */
export const signedIn = (login = 'runa', key = 'a'): SessionView => ({
  me: { login, name: login, role: 'technician', retired: false, version: 1, secondFactor: false },
  byClick: [],
  needsLead: false,
  secondFactor: 'none',
  deviceKey: key.repeat(64)
});
