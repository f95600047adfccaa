import type { AuditLine } from '../../lib/api/client';

/** What changes are kept of. */
export const SUBJECTS = ['job', 'unit', 'sheet', 'guide', 'meter', 'policy', 'person', 'token'];

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
export const shortKey = (key: string) => (/^[0-9a-f]{8}-/.test(key) ? key.slice(0, 8) : key);
