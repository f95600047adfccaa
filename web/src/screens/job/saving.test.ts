import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Entry, type JobView, Problem } from '../../lib/api/client';
import * as fixtures from '../../lib/api/fixtures';
import JobScreen from './JobScreen.svelte';

const entry = fixtures.entry(1, { item: { situation: 'call', value: '238' } });
const view = (evidence: Entry[]) => fixtures.jobView({ evidence });

const LOST = new Problem(0, 'No answer', 'Jolly Chain does not answer.');

beforeEach(() => {
  localStorage.clear();
  vi.spyOn(api, 'sheet').mockResolvedValue(fixtures.sheet());
  vi.spyOn(api, 'meters').mockResolvedValue([]);
  vi.spyOn(api, 'tests').mockResolvedValue(fixtures.pathTests);
});
afterEach(() => vi.restoreAllMocks());

async function open(loaded: JobView) {
  vi.spyOn(api, 'job').mockResolvedValue(loaded);
  const page = render(JobScreen, { params: { id: 'j' } });
  await screen.findByRole('heading', { name: /LAU-2/ });
  return page;
}

describe('a reading whose answer was lost', () => {
  it('is sent again under its id after a reload, and once only', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValueOnce(LOST);
    const page = await open(view([]));
    await userEvent.click(screen.getByRole('button', { name: /Supply/ }));
    await userEvent.keyboard('238{Enter}');
    await screen.findByRole('alert');
    page.unmount();
    sent.mockResolvedValueOnce(view([entry]));
    await open(view([]));
    await vi.waitFor(() => expect(sent).toHaveBeenCalledTimes(2));
    expect(sent.mock.calls[1]).toEqual(sent.mock.calls[0]);
    await vi.waitFor(() => expect(localStorage.getItem('pending j')).toBeNull());
  });

  it('is not sent again where the job holds it already', async () => {
    localStorage.setItem('pending j', JSON.stringify({ id: 'e1', content: entry.item }));
    localStorage.setItem('draft j', '238');
    const sent = vi.spyOn(api, 'addEvidence');
    await open(view([entry]));
    await vi.waitFor(() => expect(localStorage.getItem('pending j')).toBeNull());
    expect(localStorage.getItem('draft j')).toBeNull();
    expect(sent).not.toHaveBeenCalled();
  });

  it('takes a new id at another link', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValue(LOST);
    await open(view([]));
    await userEvent.click(screen.getByRole('button', { name: /Supply/ }));
    await userEvent.keyboard('0.1{Enter}');
    await screen.findByRole('alert');
    await userEvent.click(screen.getByRole('button', { name: /high limit/ }));
    await userEvent.click(screen.getByRole('button', { name: /Log/ }));
    await vi.waitFor(() => expect(sent).toHaveBeenCalledTimes(2));
    expect(sent.mock.calls[1]?.[1]).not.toBe(sent.mock.calls[0]?.[1]);
  });

  it('keeps the dialog of striking out open, with the reason, where that failed', async () => {
    vi.spyOn(api, 'strike').mockRejectedValue(LOST);
    await open(view([entry]));
    await userEvent.keyboard('u');
    const why = await screen.findByLabelText('Why');
    await userEvent.type(why, 'probe slipped');
    await userEvent.keyboard('{Enter}');
    expect(await screen.findByText('Jolly Chain does not answer.')).toBeVisible();
    expect(why).toHaveValue('probe slipped');
    expect(screen.getByText('Strike this out?')).toBeVisible();
  });
});

describe('the keys', () => {
  it('move along the chain, and type into the field of what is chosen', async () => {
    await open(view([]));
    await userEvent.keyboard('{ArrowRight}');
    expect(screen.getByRole('button', { name: /high limit/ })).toHaveAttribute('aria-pressed', 'true');
    await userEvent.keyboard('2');
    expect(screen.getByRole('textbox', { name: 'Reading' })).toHaveValue('2');
  });

  it('are listed by the question mark', async () => {
    await open(view([]));
    await userEvent.keyboard('?');
    expect(await screen.findByRole('heading', { name: 'Keys' })).toBeVisible();
  });

  it('strike nothing in a job that is closed', async () => {
    await open(
      fixtures.jobView({ evidence: [entry], job: fixtures.job({ closedAt: '2026-02-03T05:00:00Z' }) })
    );
    await userEvent.keyboard('u');
    expect(screen.queryByText('Strike this out?')).toBeNull();
  });
});
