import { describe, expect, it } from 'vitest';
import type { AuditLine } from '../../lib/api/client';
import { fieldsOf, pathOf, told } from './history';

const line: AuditLine = {
  id: 7,
  at: '2026-02-03T04:05:06Z',
  by: 'imke',
  subject: 'job',
  key: '6f2a1c9e-4b1d-4f6e-9a70-1d5f7c2e0b04',
  act: 'evidence added',
  what: {
    id: 'x',
    taken_at: '2026-02-03',
    number: 4,
    body: { red: 'L1', value: '0.1', how: null },
    struck_why: ''
  } as never
};

describe('a change', () => {
  it('is told by what its fields became, without ids and times', () => {
    expect(fieldsOf(line)).toBe('number: 4 · body: red L1, value 0.1 · struck why: none');
    expect(fieldsOf({ ...line, what: { text: 'a'.repeat(200) } as never })).toHaveLength(
      'text: '.length + 92
    );
  });

  it('leads to what was changed', () => {
    expect(pathOf(line)).toBe(`/jobs/${line.key}`);
    expect(pathOf({ ...line, subject: 'policy', key: 'true' })).toBe('/shop');
    expect(pathOf({ ...line, subject: 'person', key: 'imke' })).toBeUndefined();
    expect([told(line.key), told('imke')]).toEqual(['6f2a1c9e', 'imke']);
  });
});
