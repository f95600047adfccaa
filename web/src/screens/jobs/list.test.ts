import { render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type Appointment, type JobSummary, Problem } from '../../lib/api/client';
import { job } from '../../lib/api/fixtures';
import JobsScreen from './JobsScreen.svelte';

const leading = {
  part: 'limit',
  mode: 'open',
  title: 'high limit open',
  probability: 0.42,
  confirmed: false,
  alternatives: []
};
const jobs: JobSummary[] = [
  {
    job: job({ id: 'a', unitTag: 'LAU-2', unitPlace: 'Cellar', technician: 'Wren' }),
    complaintTitle: 'Stays cold',
    readings: 1,
    leading,
    step: 'Walk the chain',
    next: 'Ohms across the high limit'
  },
  { job: job({ id: 'b', unitTag: 'GAL-1' }), complaintTitle: '', readings: 0, step: '', next: '' },
  {
    job: job({ id: 'c', unitTag: 'WRK-3', closedAt: '2026-02-03T05:00:00Z', outcome: 'Fuse renewed' }),
    complaintTitle: 'Trips',
    readings: 4,
    step: '',
    next: ''
  }
];

const due: Appointment[] = [
  {
    id: 'd1',
    jobId: 'c',
    unitTag: 'LAU-2',
    unitTitle: 'A dryer',
    unitPlace: 'Cellar',
    kind: 'prevention',
    title: 'Duct cleaned',
    dueOn: '2026-02-03'
  }
];

async function list(found = { jobs, total: jobs.length }): Promise<void> {
  vi.spyOn(api, 'jobs').mockResolvedValue(found);
  vi.spyOn(api, 'technicians').mockResolvedValue(['Bo', 'Wren']);
  vi.spyOn(api, 'due').mockResolvedValue(due);
  render(JobsScreen);
  await screen.findAllByText(/Open|No jobs yet/);
}

afterEach(() => vi.restoreAllMocks());

describe('the jobs', () => {
  it('stand open and closed, with what leads or what it came to', async () => {
    await list();
    const [first, second, third] = (await screen.findAllByRole('listitem')).filter((row) =>
      /entr/.test(row.textContent)
    );
    expect(first).toHaveTextContent(
      /LAU-2.*Cellar.*Stays cold.*Wren.*1 entry.*Walk the chain: Ohms across the high limit.*high limit open 42 %/
    );
    expect(second).toHaveTextContent(/GAL-1.*No complaint told.*0 entries/);
    expect(third).toHaveTextContent(/WRK-3.*Fuse renewed/);
    await screen.findByText('Coming up');
    expect(screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent)).toEqual([
      'Open',
      'Coming up',
      'Closed'
    ]);
    expect(within(first as HTMLElement).getByRole('link')).toHaveAttribute('href', '#/jobs/a');
  });

  it('are looked for by the server, by words and by person', async () => {
    await list();
    await userEvent.type(screen.getByRole('searchbox'), 'cellar');
    await waitFor(() => expect(api.jobs).toHaveBeenLastCalledWith('cellar', '', 1));
    await userEvent.selectOptions(screen.getByLabelText('Whose jobs'), 'Wren');
    await waitFor(() => expect(api.jobs).toHaveBeenLastCalledWith('cellar', 'Wren', 1));
  });

  it('come in pages', async () => {
    await list();
    expect(screen.queryByRole('navigation', { name: 'Pages' })).not.toBeInTheDocument();
    vi.spyOn(api, 'jobs').mockResolvedValue({ jobs, total: 120 });
    await userEvent.type(screen.getByRole('searchbox'), 'dryer');
    // who types slowly is answered for the first letters already
    await waitFor(() => expect(api.jobs).toHaveBeenLastCalledWith('dryer', '', 1));
    expect(await screen.findByText('Page 1 of 3, 120 jobs')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Earlier ones' }));
    await waitFor(() => expect(api.jobs).toHaveBeenLastCalledWith('dryer', '', 2));
  });

  it('show what comes due, until it is settled', async () => {
    await list();
    const coming = await screen.findByRole('region', { name: 'Coming up' });
    expect(coming).toHaveTextContent(/3 Feb 2026.*overdue.*Duct cleaned.*LAU-2/);
    vi.spyOn(api, 'settle').mockResolvedValue([]);
    await userEvent.click(within(coming).getByRole('button', { name: 'Done' }));
    await waitFor(() => expect(coming).not.toBeInTheDocument());
    expect(api.settle).toHaveBeenCalledWith('d1', 'done');
  });

  it('that nothing is found among, say so', async () => {
    await list();
    vi.spyOn(api, 'jobs').mockResolvedValue({ jobs: [], total: 0 });
    await userEvent.type(screen.getByRole('searchbox'), 'kiln');
    expect(await screen.findByText('No job of anybody has "kiln" in it.')).toBeInTheDocument();
  });

  it('say how to open the first', async () => {
    await list({ jobs: [], total: 0 });
    expect(await screen.findByText('No jobs yet')).toBeInTheDocument();
  });

  it('are asked for again where nobody answered', async () => {
    vi.spyOn(api, 'technicians').mockResolvedValue([]);
    vi.spyOn(api, 'due').mockResolvedValue([]);
    vi.spyOn(api, 'jobs').mockRejectedValueOnce(new Problem(0, 'No answer', 'Nobody there.'));
    render(JobsScreen);
    expect(await screen.findByText('Nobody there.')).toBeInTheDocument();
    vi.spyOn(api, 'jobs').mockResolvedValue({ jobs, total: jobs.length });
    await userEvent.click(screen.getByRole('button', { name: /again/i }));
    expect(await screen.findAllByRole('listitem')).toHaveLength(3);
  });
});
