import { describe, expect, it } from 'vitest';
import type { AuditLine } from '../../lib/api/client';
import { pathOf, shortKey } from './history';

const line: AuditLine = {
  id: 7,
  at: '2026-02-03T04:05:06Z',
  by: 'imke',
  subject: 'job',
  key: '6f2a1c9e-4b1d-4f6e-9a70-1d5f7c2e0b04',
  act: 'evidence added',
  what: {} as never,
  told: ''
};

describe('a change', () => {
  it('leads to what was changed', () => {
    expect(pathOf(line)).toBe(`/jobs/${line.key}`);
    expect(pathOf({ ...line, subject: 'policy', key: 'true' })).toBe('/shop');
    expect(pathOf({ ...line, subject: 'person', key: 'imke' })).toBeUndefined();
    expect([shortKey(line.key), shortKey('imke')]).toEqual(['6f2a1c9e', 'imke']);
  });
});
