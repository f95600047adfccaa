import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type Assessed, Problem, type SheetSummary } from '../../lib/api/client';
import { assessment, plan, sheet } from '../../lib/api/fixtures';
import CaseTab from './CaseTab.svelte';
import { sheetDocuments } from '../../lib/documents/documents';
import Revisions from '../../lib/documents/Revisions.svelte';

afterEach(() => vi.restoreAllMocks());

const assessed: Assessed = {
  ...assessment({ flags: [{ kind: 'no-current', evidence: ['r1'], text: 'Nothing flows.' }] }),
  ...plan('ask', [])
};

describe('a case on a sheet', () => {
  it('starts with its supply and first link, and is weighed as it is typed', async () => {
    const asked = vi.spyOn(api, 'assess').mockResolvedValue(assessed);
    render(CaseTab, { sheet: sheet() });
    const text = screen.getByLabelText<HTMLTextAreaElement>('Case text');
    expect(text.value).toContain('complaint: cold');
    expect(text.value).toContain('red: L, black: N, situation: call, value: "240"');
    expect(await screen.findByText('Nothing flows.')).toBeInTheDocument();
    await userEvent.type(text, '# more');
    await waitFor(() => expect(asked.mock.lastCall?.[0]).toContain('# more'));
  });

  it('says what is wrong with it, and goes on showing the last answer', async () => {
    vi.spyOn(api, 'assess').mockResolvedValueOnce(assessed);
    render(CaseTab, { sheet: sheet() });
    await screen.findByText('Nothing flows.');
    vi.spyOn(api, 'assess').mockRejectedValue(new Problem(422, 'Bad', 'line 4: no point "Q"'));
    await userEvent.type(screen.getByLabelText('Case text'), 'x');
    expect(await screen.findByRole('alert')).toHaveTextContent('line 4: no point "Q"');
    expect(screen.getByText('Nothing flows.')).toBeInTheDocument();
  });
});

describe('the revisions of a sheet', () => {
  const revision = (number: number): SheetSummary => ({
    key: 'heater',
    revision: number,
    title: 'A heater',
    family: 'other',
    sketched: false,
    createdAt: '2026-02-03T05:00:00Z'
  });

  function open(newest: number, texts: string[]) {
    vi.spyOn(api, 'revisions').mockResolvedValue(texts.map((_, i) => revision(i + 1)));
    vi.spyOn(api, 'sheetText').mockImplementation((_, number) => Promise.resolve(texts[number - 1] ?? ''));
    const onwithdraw = vi.fn();
    render(Revisions, { documents: sheetDocuments, key: 'heater', newest, withdrawn: false, onwithdraw });
    return onwithdraw;
  }

  it('show what the newest changed, with a few lines around it', async () => {
    const lines = Array.from({ length: 20 }, (_, i) => `line ${i}`);
    const changed = lines.map((l, i) => (i === 10 ? 'line ten' : l));
    open(2, [lines.join('\n'), changed.join('\n')]);
    expect(await screen.findByText('- line 10')).toHaveClass('removed');
    expect(screen.getByText('+ line ten')).toHaveClass('added');
    expect(screen.getByText('line 7')).toBeInTheDocument();
    expect(screen.queryByText('line 6')).toBeNull();
  });

  it('say that there is one only', async () => {
    open(1, ['a']);
    expect(await screen.findByText('There is only one revision yet.')).toBeInTheDocument();
  });

  it('withdraw a sheet once that is asked twice', async () => {
    const onwithdraw = open(1, ['a']);
    await userEvent.click(await screen.findByRole('button', { name: 'Withdraw this sheet' }));
    expect(onwithdraw).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole('button', { name: 'Yes, withdraw it' }));
    expect(onwithdraw).toHaveBeenCalledOnce();
  });
});
