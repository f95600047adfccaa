import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import * as fixtures from '../../../../lib/api/fixtures';
import type { UnitPrint } from '../../../../lib/api/client';
import CodeTyped from './CodeTyped.svelte';

const sheet = fixtures.sheet({
  codes: {
    E4: { id: 'E4', title: 'Sensor open', suspects: [], when: fixtures.complaint('cold', 'Stays cold') }
  }
});

function fact(part: string, said: string): UnitPrint['facts'][number] {
  return {
    id: part,
    tag: 'LAU-2',
    sheetKey: 'dryer',
    part,
    said,
    toldAt: '2026-02-03T04:05:06Z',
    toldBy: '',
    struckWhy: ''
  };
}

function form(print: Partial<UnitPrint> = {}) {
  const oncode = vi.fn();
  const onkeep = vi.fn().mockResolvedValue(undefined);
  render(CodeTyped, {
    sheet,
    print: { facts: [], offered: [], asked: [], ...print },
    busy: false,
    onkeep,
    oncode
  });
  return { oncode, onkeep };
}

const type = (code: string) => userEvent.type(screen.getByLabelText('Code as displayed'), `${code}{Enter}`);

describe('a code as it is displayed', () => {
  it('is logged at once where the sheet has it, or the model has it mapped', async () => {
    const { oncode } = form({ offered: [fact('code F31', 'E4 sensor')] });
    await type('e4');
    await type('f31');
    await type('none');
    expect(oncode.mock.calls).toEqual([['e4'], ['f31'], ['none']]);
  });

  it('is asked about once where the sheet has another, and logged with what it means', async () => {
    const { oncode, onkeep } = form();
    await type('F9');
    expect(oncode).not.toHaveBeenCalled();
    expect(screen.getByRole('group', { name: 'What the code means' })).toHaveTextContent(
      'F9 is not on this sheet'
    );
    await userEvent.click(screen.getByRole('button', { name: 'Sensor open' }));
    expect(onkeep).toHaveBeenCalledWith('code F9', 'E4', false);
    expect(oncode).toHaveBeenCalledWith('F9');
    expect(screen.queryByRole('group')).toBeNull();
  });

  it('that means something else is kept in words and is no evidence', async () => {
    const { oncode, onkeep } = form();
    await type('H2');
    await userEvent.type(screen.getByLabelText('Something else'), 'no paper{Enter}');
    expect(onkeep).toHaveBeenCalledWith('code H2', 'no paper', false);
    expect(oncode).not.toHaveBeenCalled();
  });

  it('stays typed where it could not be kept, with the reason', async () => {
    const { oncode, onkeep } = form();
    onkeep.mockResolvedValue({ why: 'The server does not answer.' });
    await type('F9');
    await userEvent.click(screen.getByRole('button', { name: 'Sensor open' }));
    expect(screen.getByRole('alert')).toHaveTextContent('The server does not answer.');
    expect(screen.getByLabelText('Code as displayed')).toHaveValue('F9');
    expect(oncode).not.toHaveBeenCalled();
  });
});
