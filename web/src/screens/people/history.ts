import type { AuditLine } from '../../lib/api/client';

/** What changes are kept of. */
export const SUBJECTS = ['job', 'unit', 'sheet', 'guide', 'meter', 'policy', 'person', 'token'];

const LONGEST = 90;

/** Where the thing can be looked at. */
export function pathOf(line: AuditLine): string | undefined {
  switch (line.subject) {
    case 'job':
      return `/jobs/${line.key}`;
    case 'unit':
      return `/units/${line.key}`;
    case 'sheet':
      return `/sheets/${line.key}`;
    case 'guide':
      return `/guides/${line.key}`;
    case 'meter':
    case 'policy':
      return '/shop';
    default:
      return undefined;
  }
}

/** A made-up id by its beginning, a name as it is. */
export const told = (key: string) => (/^[0-9a-f]{8}-/.test(key) ? key.slice(0, 8) : key);

/** What its fields became, in a line. */
export function fieldsOf(line: AuditLine): string {
  const what = line.what as Record<string, unknown>;
  return Object.entries(what)
    .filter(([name]) => name !== 'id' && !name.endsWith('_at'))
    .map(([name, value]) => `${name.replaceAll('_', ' ')}: ${short(value)}`)
    .join(' · ');
}

function short(value: unknown): string {
  if (value === null || value === '') return 'none';
  const text = typeof value === 'object' ? flat(value) : String(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)} …` : text;
}

/** An object as its fields that say something. */
function flat(value: object): string {
  return Object.entries(value)
    .filter(([, v]) => v !== null && v !== '' && typeof v !== 'object')
    .map(([k, v]) => `${k} ${String(v)}`)
    .join(', ');
}
