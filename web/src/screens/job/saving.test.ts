import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Entry, type JobView, Problem } from '../../lib/api/client';
import * as fixtures from '../../lib/api/fixtures';
import { outbox } from '../../lib/outbox/outbox.svelte';
import { session } from '../../lib/session/session.svelte';
import JobScreen from './JobScreen.svelte';

const entry = fixtures.entry(1, { item: { situation: 'call', value: '238' } });
const view = (evidence: Entry[]) => fixtures.jobView({ evidence });

const LOST = new Problem(0, 'No answer', 'Jolly Chain does not answer.');

beforeEach(async () => {
  session.view = fixtures.signedIn();
  for (const w of outbox.waiting) await outbox.drop(w.id);
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

const outOfReach = 'entry waits here for the server';

describe('a reading whose answer was lost', () => {
  it('waits, and goes out once under its id when the server is back', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValueOnce(LOST);
    await open(view([]));
    await userEvent.click(screen.getByRole('button', { name: /Supply/ }));
    await userEvent.keyboard('238{Enter}');
    expect(await screen.findByText(new RegExp(outOfReach))).toBeVisible();
    expect(screen.getByRole('textbox', { name: 'Reading' })).toHaveValue('');
    sent.mockResolvedValueOnce(view([entry]));
    dispatchEvent(new Event('online'));
    await vi.waitFor(() => expect(outbox.waiting).toEqual([]));
    expect(sent.mock.calls[1]).toEqual(sent.mock.calls[0]);
    expect(sent).toHaveBeenCalledTimes(2);
    await vi.waitFor(() => expect(screen.queryByText(new RegExp(outOfReach))).toBeNull());
  });

  it('is not overtaken, and says so where it is refused in the end', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValueOnce(LOST);
    await open(view([]));
    await userEvent.click(screen.getByRole('button', { name: /Supply/ }));
    await userEvent.keyboard('238{Enter}');
    await screen.findByText(new RegExp(outOfReach));
    sent
      .mockRejectedValueOnce(new Problem(409, 'Closed', 'This job is closed.'))
      .mockResolvedValueOnce(view([entry]));
    await userEvent.keyboard('239{Enter}');
    await vi.waitFor(() => expect(sent).toHaveBeenCalledTimes(3));
    expect(sent.mock.calls.map(([, , e]) => e.value)).toEqual(['238', '238', '239']);
    await vi.waitFor(() =>
      expect(outbox.waiting).toMatchObject([{ evidence: { value: '238' }, refused: 'This job is closed.' }])
    );
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
