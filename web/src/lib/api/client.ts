import type { components } from './schema';

export type JobView = components['schemas']['JobView'];
export type JobSummary = components['schemas']['JobSummary'];
export type Entry = components['schemas']['Entry'];
export type Evidence = components['schemas']['EvidenceItem'];
export type Assessment = components['schemas']['Assessment'];
export type PartAssessment = components['schemas']['PartAssessment'];
export type Staircase = components['schemas']['Staircase'];
export type Riser = components['schemas']['Riser'];
export type Tread = components['schemas']['Tread'];
export type Flag = components['schemas']['Flag'];
export type Verdict = PartAssessment['verdict'];
export type ComplaintMeant = components['schemas']['Match'];
export type Complaint = components['schemas']['Complaint'];
export type Sheet = components['schemas']['Sheet'];
export type SheetSummary = components['schemas']['SheetSummary'];
export type SheetRevision = components['schemas']['SheetRevision'];
export type SheetPreview = components['schemas']['SheetPreview'];
export type Assumption = SheetPreview['assumptions'][number];
export type Noted = SheetPreview['problems'][number];
export type TradeWord = components['schemas']['Word'];
export type Lost = components['schemas']['Lost'];
export type GuideSummary = components['schemas']['GuideSummary'];
export type GuideRevision = components['schemas']['GuideRevision'];
export type GuideView = components['schemas']['GuideView'];
export type TextProblem = components['schemas']['TextProblem'];
export type Part = components['schemas']['Part'];
export type Drawing = components['schemas']['Drawing'];
export type Answer = components['schemas']['Answer'];
export type PartState = components['schemas']['PartState'];
export type SolveRequest = Omit<components['schemas']['SolveRequest'], 'sheet'> & { sheet: string };
export type Supposed = components['schemas']['Fault'];
export type Meter = components['schemas']['OwnedMeter'];
export type ShopMeter = components['schemas']['ShopMeter'];
export type ShopPolicy = components['schemas']['ShopPolicy'];
export type Policy = components['schemas']['PolicyItem'];
export type Plan = components['schemas']['Plan'];
export type Forecast = components['schemas']['Forecast'];
export type Proposal = components['schemas']['Proposal'];
export type PathTests = components['schemas']['PathTests'];
export type PathTest = PathTests['supply'][number];
export type Assessed = components['schemas']['Assessed'];
export type Unit = components['schemas']['Unit'];
export type UnitHistory = components['schemas']['UnitHistory'];
export type UnitPlate = components['schemas']['UnitPlate'];
export type UnitPrint = components['schemas']['UnitFactsView'];
export type NewFact = components['schemas']['NewFact'];
export type Appointment = components['schemas']['Appointment'];
export type Visit = components['schemas']['Visit'];
export type SupplyPicture = components['schemas']['SupplyPicture'];
export type ToWatch = components['schemas']['ToWatch'];
export type Timeline = components['schemas']['Timeline'];
export type FoundSheets = components['schemas']['Found'];
export type BenchCard = components['schemas']['Card'];
export type KeptResult = components['schemas']['KeptResult'];
export type Ratings = components['schemas']['Ratings'];
export type BenchInput = BenchCard['inputs'][number];
export type BenchAnswer = components['schemas']['CheckResult'];
export type Item = components['schemas']['Item'];
export type Proof = components['schemas']['Proof'];
export type CauseCheck = Visit['cause']['next'][number];
export type Told = components['schemas']['Told'];
export type VisitKind = Told['kind'];
export type OwnSession = components['schemas']['OwnSession'];
export type FactorSetup = components['schemas']['FactorSetup'];
export type Person = components['schemas']['Person'];
export type Role = Person['role'];
export type SessionView = components['schemas']['SessionView'];
export type ApiToken = components['schemas']['ApiToken'];
export type AuditLine = components['schemas']['AuditLine'];
export type Upkeep = components['schemas']['Upkeep'];
export type NewPerson = components['schemas']['NewPerson'];
export type NewJob = components['schemas']['NewJob'];

/** The state of a job that a decision rests on. */
export interface Seen {
  version: number;
  changes: number;
}

/** What the server says when it cannot do as asked (RFC 9457), or that it cannot be reached. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    /** What is wrong with single fields. */
    readonly fields: Record<string, string> = {},
    /** What another changed meanwhile, as the lines of a unified diff. */
    readonly changes: string[] = [],
    /** What has to be sent too: the code of a second factor. */
    readonly needs = ''
  ) {
    super(detail);
  }

  /** Whether the same may be taken later: nobody answered, or the server could not just now. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

/** The revision a text was written from, where it is to be held against the newest. */
const from = (base?: number) => (base === undefined ? '' : `?base=${base}`);

/** Why something failed, as it is told to people. */
export function reason(e: unknown): string {
  return e instanceof Problem ? e.message : String(e);
}

const SESSION = '/api/session';

/** Longer than the server works on anything. */
const LONGEST_MS = 25_000;

const JSON_TYPE = 'application/json';
const YAML_TYPE = 'application/yaml';
const TEXT_TYPE = 'text/plain';

/** Told whether what was read came from the server, or was kept here from before. */
export const reached: { tell: (how: 'now' | 'kept') => void } = { tell: () => {} };

/** Told when the server no longer knows who asks. */
export const signedOut = { tell: () => {} };

/** What the server gave this page to send back with every change, so that no other page can make one. */
function csrfHeader(): Record<string, string> {
  const token = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1];
  return token ? { 'X-XSRF-TOKEN': decodeURIComponent(token) } : {};
}

async function send(
  method: 'GET' | 'PUT' | 'POST' | 'DELETE',
  path: string,
  body?: string,
  type = JSON_TYPE
): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      signal: AbortSignal.timeout(LONGEST_MS),
      headers: {
        ...(method === 'GET' ? {} : csrfHeader()),
        ...(body === undefined ? {} : { 'Content-Type': type })
      },
      ...(body === undefined ? {} : { body })
    });
  } catch (e) {
    const late = e instanceof DOMException && e.name === 'TimeoutError';
    throw new Problem(
      0,
      'No answer',
      late
        ? `No answer within ${LONGEST_MS / 1000} s. What you typed is kept here; try again, nothing is saved twice.`
        : 'Jolly Chain does not answer. What you typed is kept here; try again.'
    );
  }
  reached.tell(response.headers.get('X-Kept') ? 'kept' : 'now');
  if (response.ok) return response;
  if (response.status === 401 && path !== SESSION) signedOut.tell();
  const problem = (await response.json().catch(() => ({}))) as {
    title?: string;
    detail?: string;
    field?: string;
    problems?: { field?: string; message: string }[];
    changes?: string[];
    needs?: string;
  };
  throw new Problem(
    response.status,
    problem.title ?? `Error ${response.status}`,
    problem.detail ?? 'The server did not say why.',
    Object.fromEntries(
      [...(problem.problems ?? []), { field: problem.field, message: problem.detail ?? '' }].flatMap((p) =>
        p.field ? [[p.field, p.message]] : []
      )
    ),
    problem.changes,
    problem.needs
  );
}

async function request<T>(method: 'GET' | 'PUT' | 'POST', path: string, body?: unknown): Promise<T> {
  const response = await send(method, path, body === undefined ? undefined : JSON.stringify(body));
  return (await response.json()) as T;
}

/** Where documents are kept. */
type Library = 'sheets' | 'guides';

const revisionPath = (key: string, revision: number) => `/api/sheets/${key}/revisions/${revision}`;

export const api = {
  session: () => request<SessionView>('GET', SESSION),
  signIn: (login: string, password: string, code: string) =>
    request<SessionView>('POST', SESSION, { login, password, code }),
  click: (login: string) => request<SessionView>('POST', `${SESSION}/demo`, { login }),
  firstLead: (person: NewPerson) => request<SessionView>('POST', `${SESSION}/first`, person),
  signOut: (everywhere: boolean) => send('DELETE', everywhere ? `${SESSION}/everywhere` : SESSION),
  changePassword: (present: string, wanted: string) =>
    send('PUT', `${SESSION}/password`, JSON.stringify({ present, wanted })),
  sessions: () => request<OwnSession[]>('GET', `${SESSION}/all`),
  endSession: (id: string) =>
    send('DELETE', `${SESSION}/all/${id}`).then((r) => r.json() as Promise<OwnSession[]>),
  beginFactor: () => request<FactorSetup>('POST', `${SESSION}/factor`),
  confirmFactor: (code: string) => request<{ codes: string[] }>('PUT', `${SESSION}/factor`, { code }),
  takeOffFactor: (present: string) => send('PUT', `${SESSION}/factor/off`, JSON.stringify({ present })),
  takeOffFactorOf: (login: string) =>
    send('DELETE', `/api/people/${login}/factor`).then((r) => r.json() as Promise<Person[]>),
  factorRule: () => request<{ secondFactor: boolean }>('GET', '/api/second-factor'),
  keepFactorRule: (secondFactor: boolean) =>
    request<{ secondFactor: boolean }>('PUT', '/api/second-factor', { secondFactor }),
  upkeep: () => request<Upkeep>('GET', '/api/upkeep'),
  people: () => request<Person[]>('GET', '/api/people'),
  addPerson: (person: NewPerson) => request<Person[]>('POST', '/api/people', person),
  changePerson: ({ login, name, role, retired, version }: Person) =>
    request<Person[]>('PUT', `/api/people/${login}`, { name, role, retired, version }),
  resetPassword: (login: string, password: string) =>
    request<Person[]>('PUT', `/api/people/${login}/password`, { password }),
  tokens: () => request<ApiToken[]>('GET', '/api/tokens'),
  makeToken: (id: string, title: string, role: Role, days: number) =>
    request<{ token: string }>('PUT', `/api/tokens/${id}`, { title, role, days }),
  revokeToken: (id: string) =>
    send('DELETE', `/api/tokens/${id}`).then((r) => r.json() as Promise<ApiToken[]>),
  audit: (subject: string, key: string, by: string, before?: number) =>
    request<AuditLine[]>(
      'GET',
      `/api/audit?${new URLSearchParams({ subject, key, by, ...(before ? { before: String(before) } : {}) }).toString()}`
    ),
  jobs: (words = '', technician = '', page = 1) =>
    send(
      'GET',
      `/api/jobs?${new URLSearchParams({ words, technician, page: String(page) }).toString()}`
    ).then(async (r) => ({
      jobs: (await r.json()) as JobSummary[],
      total: Number(r.headers.get('X-Total-Count'))
    })),
  technicians: () => request<string[]>('GET', '/api/jobs/technicians'),
  due: () => request<Appointment[]>('GET', '/api/appointments'),
  settle: (id: string, as: string) => request<Appointment[]>('PUT', `/api/appointments/${id}/settle`, { as }),
  job: (id: string) => request<JobView>('GET', `/api/jobs/${id}`),
  openJob: (id: string, job: NewJob) => request<JobView>('PUT', `/api/jobs/${id}`, job),
  addEvidence: (job: string, id: string, evidence: Evidence) =>
    request<JobView>('PUT', `/api/jobs/${job}/evidence/${id}`, evidence),
  strike: (job: string, id: string, why: string) =>
    request<JobView>('PUT', `/api/jobs/${job}/evidence/${id}/strike`, { why }),
  tell: (job: string, id: string, told: Told) =>
    request<JobView>('PUT', `/api/jobs/${job}/entries/${id}`, told),
  closeJob: (job: string, as: string, outcome: string, seen: Seen) =>
    request<JobView>('PUT', `/api/jobs/${job}/close`, { as, outcome, ...seen }),
  units: () => request<Unit[]>('GET', '/api/units'),
  unit: (tag: string) => request<UnitHistory>('GET', `/api/units/${encodeURIComponent(tag)}`),
  keepUnit: (tag: string, plate: UnitPlate) =>
    request<Unit>('PUT', `/api/units/${encodeURIComponent(tag)}`, plate),
  keepFact: (tag: string, id: string, fact: NewFact) =>
    request<UnitPrint>('PUT', `/api/units/${encodeURIComponent(tag)}/facts/${id}`, fact),
  strikeFact: (tag: string, id: string, why: string) =>
    request<UnitPrint>('PUT', `/api/units/${encodeURIComponent(tag)}/facts/${id}/strike`, { why }),
  importUnits: (csv: string) =>
    send('POST', '/api/units.csv', csv, 'text/csv').then((r) => r.json() as Promise<Unit[]>),
  sheets: () => request<SheetSummary[]>('GET', '/api/sheets'),
  findSheet: (answers: Record<string, string>) =>
    request<FoundSheets>('POST', '/api/sheets/find', { answers }),
  sheet: (key: string, revision: number) => request<Sheet>('GET', revisionPath(key, revision)),
  newestSheet: (key: string) => request<SheetRevision>('GET', `/api/sheets/${key}`),
  revisions: (of: Library, key: string) =>
    request<(SheetSummary | GuideSummary)[]>('GET', `/api/${of}/${key}/revisions`),
  tests: (key: string, revision: number) =>
    request<PathTests[]>('GET', `${revisionPath(key, revision)}/tests`),
  complaintsMeant: (key: string, revision: number, words: string) =>
    request<ComplaintMeant[]>(
      'GET',
      `${revisionPath(key, revision)}/complaints?${new URLSearchParams({ words })}`
    ),
  drawings: (key: string, revision: number) =>
    request<Drawing[]>('GET', `${revisionPath(key, revision)}/drawings`),
  sheetText: (key: string, revision: number, as: 'yaml' | 'json') =>
    send('GET', `${revisionPath(key, revision)}/${as}`).then((r) => r.text()),
  netlist: (key: string, revision: number, situation: string) =>
    send('GET', `${revisionPath(key, revision)}/spice?situation=${encodeURIComponent(situation)}`).then((r) =>
      r.text()
    ),
  validate: (of: Library, text: string) =>
    send('POST', `/api/${of}/validate`, text, YAML_TYPE)
      .then((r) => r.json() as Promise<{ problems: TextProblem[] }>)
      .then((v) => v.problems),
  saveSheet: (key: string, text: string, base?: number) =>
    send('PUT', `/api/sheets/${key}${from(base)}`, text, YAML_TYPE).then(
      (r) => r.json() as Promise<SheetRevision>
    ),
  previewSheet: (text: string, situation = '', path = '') =>
    send(
      'POST',
      `/api/sheets/preview?${new URLSearchParams({ situation, path }).toString()}`,
      text,
      YAML_TYPE
    ).then((r) => r.json() as Promise<SheetPreview>),
  previewShorthand: (text: string, situation = '', path = '') =>
    send(
      'POST',
      `/api/sheets/shorthand?${new URLSearchParams({ situation, path }).toString()}`,
      text,
      TEXT_TYPE
    ).then((r) => r.json() as Promise<SheetPreview>),
  tradeWords: () => request<TradeWord[]>('GET', '/api/sheets/shorthand'),
  shorthand: (key: string, revision: number) =>
    send('GET', `${revisionPath(key, revision)}/shorthand`).then((r) => r.text()),
  newShorthand: (key: string, text: string) =>
    send('PUT', `/api/sheets/${key}/shorthand?fresh=true`, text, TEXT_TYPE).then(
      (r) => r.json() as Promise<SheetRevision>
    ),
  saveShorthand: (key: string, text: string, base?: number) =>
    send('PUT', `/api/sheets/${key}/shorthand${from(base)}`, text, TEXT_TYPE).then(
      (r) => r.json() as Promise<SheetRevision>
    ),
  lostBy: (job: string, revision: number) => request<Lost[]>('GET', `/api/jobs/${job}/sheet/${revision}`),
  moveJob: (job: string, revision: number, seen: Seen) =>
    request<JobView>('PUT', `/api/jobs/${job}/sheet`, { revision, ...seen }),
  guides: () => request<GuideSummary[]>('GET', '/api/guides'),
  newestGuide: (key: string) => request<GuideRevision>('GET', `/api/guides/${key}`),
  guide: (key: string, revision: number) =>
    request<GuideView>('GET', `/api/guides/${key}/revisions/${revision}`),
  guideText: (key: string, revision: number) =>
    send('GET', `/api/guides/${key}/revisions/${revision}/yaml`).then((r) => r.text()),
  saveGuide: (key: string, text: string, base?: number) =>
    send('PUT', `/api/guides/${key}${from(base)}`, text, YAML_TYPE).then(
      (r) => r.json() as Promise<GuideRevision>
    ),
  withdrawSheet: (key: string) => send('DELETE', `/api/sheets/${key}`),
  restoreSheet: (key: string) => request<SheetRevision>('PUT', `/api/sheets/${key}/restore`),
  assess: (caseText: string) =>
    send('POST', '/api/assess', caseText, YAML_TYPE).then((r) => r.json() as Promise<Assessed>),
  benchOf: (job: string, part: string) =>
    request<Ratings[]>('GET', `/api/jobs/${job}/bench/${encodeURIComponent(part)}`),
  checks: () => request<BenchCard[]>('GET', '/api/checks'),
  benchResults: () => request<KeptResult[]>('GET', '/api/bench-results'),
  keepResult: (id: string, check: string, inputs: Record<string, string>, note: string) =>
    request<KeptResult[]>('PUT', `/api/bench-results/${id}`, { check, inputs, note }),
  check: (key: string, typed: Record<string, string>) =>
    request<BenchAnswer>('POST', `/api/checks/${key}`, typed),
  meters: () => request<Meter[]>('GET', '/api/meters'),
  keepMeter: (meter: ShopMeter, version?: number) =>
    request<Meter[]>(
      'PUT',
      `/api/meters/${meter.id}${version === undefined ? '' : `?version=${version}`}`,
      meter
    ),
  retireMeter: (id: string) => send('DELETE', `/api/meters/${id}`).then((r) => r.json() as Promise<Meter[]>),
  restoreMeter: (id: string) => request<Meter[]>('PUT', `/api/meters/${id}/restore`),
  shopPolicy: () => request<ShopPolicy>('GET', '/api/policy'),
  keepShopPolicy: (policy: ShopPolicy) => request<ShopPolicy>('PUT', '/api/policy', policy),
  planJob: (job: string, permit: string, policy: Policy, seen: Seen) =>
    request<JobView>('PUT', `/api/jobs/${job}/policy`, { permit, policy, ...seen }),
  forecast: (job: string) => request<Forecast[]>('GET', `/api/jobs/${job}/forecast`),
  importEvidence: (job: string, csv: string) =>
    send('POST', `/api/jobs/${job}/evidence.csv`, csv, 'text/csv').then((r) => r.json() as Promise<JobView>),
  solve: (what: SolveRequest) => request<Answer>('POST', '/api/solve', what)
};
