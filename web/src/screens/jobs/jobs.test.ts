import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type JobSummary, type SheetSummary, type Unit } from '../../lib/api/client';
import { job, jobView, sheet } from '../../lib/api/fixtures';
import NewJob from './NewJob.svelte';

const units: Unit[] = [
  { id: 'u1', tag: 'LAU-2', title: 'Bunkhouse dryer', model: '', serial: '', place: 'Cellar', version: 1 }
];
const revised = { family: 'other', sketched: false, createdAt: '2026-02-03T04:05:06Z' };
const sheets: SheetSummary[] = [
  { ...revised, key: 'dryer', revision: 3, title: 'A dryer' },
  { ...revised, key: 'range', revision: 1, title: 'A range' }
];
const jobs: JobSummary[] = [
  { job: job({ unitTag: 'LAU-2', sheetKey: 'range' }), complaintTitle: '', readings: 0, step: '', next: '' }
];

const tag = () => screen.getByLabelText('Unit');
const chosen = () => (screen.getByLabelText('Circuit sheet') as HTMLSelectElement).value;
const submit = () => userEvent.click(screen.getByRole('button', { name: 'Open the job' }));

describe('a new job', () => {
  beforeEach(() => {
    vi.restoreAllMocks();
    localStorage.clear();
    vi.spyOn(api, 'units').mockResolvedValue(units);
    vi.spyOn(api, 'sheets').mockResolvedValue(sheets);
    vi.spyOn(api, 'jobs').mockResolvedValue({ jobs, total: jobs.length });
    vi.spyOn(api, 'sheet').mockResolvedValue(sheet());
  });

  it('is not opened without a unit', async () => {
    const open = vi.spyOn(api, 'openJob');
    render(NewJob, { onclose: vi.fn() });
    await submit();
    expect(await screen.findByText(/Type its tag, like LAU-2/)).toBeInTheDocument();
    expect(open).not.toHaveBeenCalled();
  });

  it('is not opened on a sheet that nobody chose', async () => {
    const open = vi.spyOn(api, 'openJob');
    render(NewJob, { onclose: vi.fn() });
    await userEvent.type(tag(), 'HUT-9');
    expect(chosen()).toBe('');
    await submit();
    expect(await screen.findByText(/Choose the sheet of its circuit/)).toBeInTheDocument();
    expect(open).not.toHaveBeenCalled();
  });

  it('takes the sheet a known unit was last worked on with', async () => {
    const open = vi.spyOn(api, 'openJob').mockResolvedValue(jobView());
    const onclose = vi.fn();
    render(NewJob, { onclose });
    await userEvent.type(tag(), 'lau-2');
    await waitFor(() => expect(chosen()).toBe('range'));
    await waitFor(() => expect(screen.getByText('Stays cold')).toBeInTheDocument());
    await submit();
    // nothing is told for the customer
    expect(await screen.findByText(/What does the customer see/)).toBeInTheDocument();
    expect(open).not.toHaveBeenCalled();
    await userEvent.selectOptions(screen.getByLabelText('What the customer sees'), 'Stays cold');
    await submit();
    await waitFor(() => expect(onclose).toHaveBeenCalled());
    const [, wanted] = open.mock.calls[0] ?? [];
    expect(wanted).toMatchObject({ sheet: 'range', complaint: 'cold', permit: 'isolated' });
    expect(wanted).not.toHaveProperty('unitTitle');
  });

  it('finds the sheet by what a look at the unit tells', async () => {
    const question = {
      id: 'controls',
      title: 'What is it set by?',
      answers: { dial: 'A dial', display: 'A display' }
    };
    const fit = (key: string, title: string, probability: number, answers: string[]) => ({
      key,
      title,
      probability,
      answers
    });
    const find = vi.spyOn(api, 'findSheet').mockResolvedValue({
      sheets: [fit('dryer', 'A dryer', 0.5, ['A dial']), fit('range', 'A range', 0.5, ['A display'])],
      next: question,
      differ: [question.title]
    });
    render(NewJob, { onclose: vi.fn() });
    await userEvent.click(screen.getByRole('button', { name: 'Find it by three answers' }));
    await screen.findByRole('columnheader', { name: 'What is it set by?' });
    find.mockResolvedValue({ sheets: [fit('range', 'A range', 0.96, [])], differ: [] });
    await userEvent.click(screen.getByRole('button', { name: 'A display' }));
    expect(find).toHaveBeenLastCalledWith({ controls: 'display' });
    await userEvent.click(await screen.findByRole('button', { name: 'A range' }));
    expect(chosen()).toBe('range');
  });

  it('keeps what was typed for whoever goes to write a sheet first', async () => {
    const first = render(NewJob, { onclose: vi.fn() });
    await userEvent.type(tag(), 'HUT-9');
    await userEvent.type(screen.getByLabelText('What it is'), 'Heat kit');
    expect(screen.getByRole('link', { name: 'Type its chain' })).toHaveAttribute('href', '#/sheets/type?job');
    first.unmount();
    render(NewJob, { onclose: vi.fn() });
    expect(tag()).toHaveValue('HUT-9');
    expect(screen.getByLabelText('What it is')).toHaveValue('Heat kit');
  });

  it('says what the station answers, and keeps the fields', async () => {
    vi.spyOn(api, 'openJob').mockRejectedValue(new Error('The database is away.'));
    render(NewJob, { onclose: vi.fn() });
    await userEvent.type(tag(), 'LAU-2');
    await waitFor(() => expect(chosen()).toBe('range'));
    await userEvent.selectOptions(
      screen.getByLabelText('What the customer sees'),
      'Something else, or not told'
    );
    await submit();
    expect(await screen.findByText(/The database is away/)).toBeInTheDocument();
    expect(tag()).toHaveValue('LAU-2');
  });
});
