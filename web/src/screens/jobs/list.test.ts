import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type JobSummary, Problem } from '../../lib/api/client';
import { job } from '../../lib/api/fixtures';
import JobsScreen from './JobsScreen.svelte';

const leading = {
  part: 'limit',
  mode: 'open',
  title: 'high limit open',
  probability: 0.42,
  confirmed: false
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

async function list(): Promise<HTMLElement[]> {
  vi.spyOn(api, 'jobs').mockResolvedValue(jobs);
  render(JobsScreen);
  return screen.findAllByRole('listitem');
}

afterEach(() => vi.restoreAllMocks());

describe('the jobs', () => {
  it('stand open and closed, with what leads or what it came to', async () => {
    const [first, second, third] = await list();
    expect(first).toHaveTextContent(
      /LAU-2.*Cellar.*Stays cold.*Wren.*1 entry.*Walk the chain: Ohms across the high limit.*high limit open 42 %/
    );
    expect(second).toHaveTextContent(/GAL-1.*No complaint told.*0 entries/);
    expect(third).toHaveTextContent(/WRK-3.*Fuse renewed/);
    expect(screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent)).toEqual([
      'Open',
      'Closed'
    ]);
    expect(within(first as HTMLElement).getByRole('link')).toHaveAttribute('href', '#/jobs/a');
  });

  it.each([
    ['cellar', 'LAU-2'],
    ['WREN', 'LAU-2'],
    ['fuse', 'WRK-3']
  ])('are found by any of their words: %s', async (typed, tag) => {
    await list();
    await userEvent.type(screen.getByRole('searchbox'), typed);
    const [only, ...others] = screen.getAllByRole('listitem');
    expect(only).toHaveTextContent(tag);
    expect(others).toEqual([]);
  });

  it('that nothing is found among, say so', async () => {
    await list();
    await userEvent.type(screen.getByRole('searchbox'), 'kiln');
    expect(screen.getByText('No job has "kiln" in it.')).toBeInTheDocument();
  });

  it('say how to open the first', async () => {
    vi.spyOn(api, 'jobs').mockResolvedValue([]);
    render(JobsScreen);
    expect(await screen.findByText('No jobs yet')).toBeInTheDocument();
  });

  it('are asked for again where nobody answered', async () => {
    vi.spyOn(api, 'jobs').mockRejectedValueOnce(new Problem(0, 'No answer', 'Nobody there.'));
    render(JobsScreen);
    expect(await screen.findByText('Nobody there.')).toBeInTheDocument();
    vi.spyOn(api, 'jobs').mockResolvedValue(jobs);
    await userEvent.click(screen.getByRole('button', { name: /again/i }));
    expect(await screen.findAllByRole('listitem')).toHaveLength(3);
  });
});
