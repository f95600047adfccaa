import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../../../../lib/api/client';
import { complaint, entry, job, jobView, sheet } from '../../../../lib/api/fixtures';
import ComplaintCard from './ComplaintCard.svelte';

const both = sheet({
  complaints: { cold: complaint('cold', 'Stays cold'), hums: complaint('hums', 'Hums') }
});

function card(view = jobView(), ontell = vi.fn().mockResolvedValue(true), error = '') {
  render(ComplaintCard, { view, sheet: both, busy: false, error, ontell });
  return ontell;
}

describe('what the customer sees', () => {
  beforeEach(() => {
    vi.restoreAllMocks();
  });

  it('is read from the words as one of the complaints, and told', async () => {
    vi.spyOn(api, 'complaintsMeant').mockResolvedValue([
      { complaint: 'cold', title: 'Stays cold', likeness: 0.9 },
      { complaint: 'hums', title: 'Hums', likeness: 0.6 }
    ]);
    const ontell = card();
    await userEvent.click(screen.getByText('And something else'));
    await userEvent.type(screen.getByLabelText("In the customer's words"), 'it buzzes');
    // what was told already is not read once more
    const choice = screen.getByLabelText<HTMLSelectElement>('Also complained of');
    await userEvent.click(await screen.findByRole('button', { name: 'Hums' }));
    expect(choice.value).toBe('hums');
    await userEvent.click(screen.getByRole('button', { name: 'Tell it' }));
    expect(ontell).toHaveBeenCalledWith('hums', 'call');
    expect(choice.value).toBe('');
  });

  it('stays chosen where it is refused, with the reason', async () => {
    const ontell = card(jobView(), vi.fn().mockResolvedValue(false), 'They exclude each other.');
    await userEvent.click(screen.getByText('And something else'));
    await userEvent.selectOptions(screen.getByLabelText('Also complained of'), 'hums');
    await userEvent.click(screen.getByRole('button', { name: 'Tell it' }));
    expect(ontell).toHaveBeenCalled();
    expect(screen.getByRole('alert')).toHaveTextContent('They exclude each other.');
    expect(screen.getByLabelText('Also complained of')).toHaveValue('hums');
  });

  it('shows all that stands, and the words', () => {
    const told = { observation: 'complaint', situation: 'call', value: 'hums' };
    card(
      jobView({
        job: job({ customerWords: 'no warmth at all' }),
        evidence: [entry(1, { item: told }), entry(2, { item: { ...told, value: 'cold' }, struckAt: 'x' })]
      })
    );
    const shown = screen.getByRole('region', { name: 'Complaint' });
    expect(shown).toHaveTextContent(/Stays cold.*Hums.*“no warmth at all”/);
    expect(screen.queryByText('And something else')).toBeNull();
  });
});
