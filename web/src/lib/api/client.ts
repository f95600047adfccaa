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
export type Sheet = components['schemas']['Sheet'];
export type SheetSummary = components['schemas']['SheetSummary'];
export type Unit = components['schemas']['Unit'];
export type NewJob = components['schemas']['NewJob'];

/** What the server says when it cannot do as asked (RFC 9457), or that it cannot be reached. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string
  ) {
    super(detail);
  }
}

async function request<T>(method: 'GET' | 'PUT', path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) })
    });
  } catch {
    throw new Problem(0, 'No answer', 'Jolly Chain does not answer. What you typed is kept here; try again.');
  }
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as { title?: string; detail?: string };
  throw new Problem(
    response.status,
    problem.title ?? `Error ${response.status}`,
    problem.detail ?? 'The server did not say why.'
  );
}

export const api = {
  jobs: () => request<JobSummary[]>('GET', '/api/jobs'),
  job: (id: string) => request<JobView>('GET', `/api/jobs/${id}`),
  openJob: (id: string, job: NewJob) => request<JobView>('PUT', `/api/jobs/${id}`, job),
  addEvidence: (job: string, id: string, evidence: Evidence) =>
    request<JobView>('PUT', `/api/jobs/${job}/evidence/${id}`, evidence),
  strike: (job: string, id: string, why: string) =>
    request<JobView>('PUT', `/api/jobs/${job}/evidence/${id}/strike`, { why }),
  units: () => request<Unit[]>('GET', '/api/units'),
  sheets: () => request<SheetSummary[]>('GET', '/api/sheets'),
  sheet: (key: string, revision: number) => request<Sheet>('GET', `/api/sheets/${key}/revisions/${revision}`)
};
