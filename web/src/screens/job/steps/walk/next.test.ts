import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { tick } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type JobView } from '../../../../lib/api/client';
import { job, jobView, part, pathTests, plan, proposal, sheet } from '../../../../lib/api/fixtures';
import { JobSession } from '../../JobSession.svelte';
import StepRail from '../../StepRail.svelte';
import NextPanel from './NextPanel.svelte';

const warm = sheet({
  parts: {
    limit: part('limit', 'limit', 'L', 'A', {
      title: 'high limit',
      behaviour: {
        madeWhen: '',
        feels: 'ambient',
        thermal: { acts: 'opens', actsAtCelsius: 121, reset: 'auto' }
      }
    })
  }
});

function view(
  state: JobView['plan']['state'],
  next: JobView['plan']['next'],
  more: Partial<JobView['job']> = {}
): JobView {
  return jobView({ job: job(more), plan: plan(state, next, 'Confirm the high limit.') });
}

async function panel(shown: JobView): Promise<JobSession> {
  vi.spyOn(api, 'job').mockResolvedValue(shown);
  vi.spyOn(api, 'sheet').mockResolvedValue(warm);
  vi.spyOn(api, 'tests').mockResolvedValue(pathTests);
  vi.spyOn(api, 'meters').mockResolvedValue([]);
  const session = new JobSession('j');
  await session.load();
  render(NextPanel, { session, view: shown, sheet: warm, field: undefined, onlog: vi.fn() });
  return session;
}

afterEach(() => vi.restoreAllMocks());

describe('what comes next', () => {
  it('is a probe, or one that cannot be reached or is skipped', async () => {
    const planned = vi.spyOn(api, 'planJob').mockResolvedValue(view('ask', [proposal()]));
    await panel(view('ask', [proposal()]));
    const card = within(screen.getByLabelText('Next probe'));
    expect(card.getByText('Next probe')).toBeInTheDocument();
    await userEvent.click(card.getByRole('button', { name: "Can't reach A" }));
    expect(planned).toHaveBeenLastCalledWith('j', 'live', { unreachable: ['A'] }, { version: 1, changes: 0 });
    await userEvent.click(card.getByRole('button', { name: 'Skip' }));
    expect(planned).toHaveBeenLastCalledWith(
      'j',
      'live',
      { skipped: ['volts-ac L A call'] },
      { version: 1, changes: 0 }
    );
  });

  it('is headed as the confirming test where it is one', async () => {
    await panel(view('confirm', [proposal({ confirms: true })]));
    expect(screen.getByRole('heading', { name: 'Confirm' })).toBeInTheDocument();
  });

  it('has its alternatives behind a button, with their minutes', async () => {
    const other = proposal({ id: 'look limit', kind: 'look', title: 'Look at the high limit', minutes: 3.5 });
    await panel(view('ask', [proposal(), other]));
    expect(screen.queryByText('Look at the high limit')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Other probes' }));
    expect(screen.getByRole('button', { name: 'Look at the high limit' })).toBeInTheDocument();
    expect(screen.getByText('3.5 min')).toBeInTheDocument();
  });

  it('says how much of its minutes goes into opening', async () => {
    await panel(view('ask', [proposal({ minutes: 10.5, opening: 7 })]));
    expect(screen.getByText(/, 7 min of it opening/)).toBeInTheDocument();
  });

  it.each<[JobView['plan']['state'], string]>([
    ['found', 'Found'],
    ['clear', 'It is clear what to deal with'],
    ['nothing-worth', 'Nothing worth its minutes'],
    ['nothing-left', 'Nothing left to ask']
  ])('ends with a heading of its own and a sentence: %s', async (state, title) => {
    await panel(view(state, []));
    expect(screen.getByRole('heading', { name: title })).toBeInTheDocument();
    expect(screen.getByText('Confirm the high limit.')).toBeInTheDocument();
  });

  it('is the outcome once the job is closed', async () => {
    await panel(view('found', [], { outcome: 'Limit renewed', closedAt: '2026-02-03T05:05:06Z' }));
    expect(screen.getByText('Limit renewed')).toBeInTheDocument();
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  it('says that terminals were put on again and how hot the part is, before the value is logged', async () => {
    await panel(view('confirm', [proposal({ reseated: true, celsius: 129 })]));
    expect(screen.getByText(/re-seated/)).toBeInTheDocument();
    expect(screen.getByLabelText('How warm the part is')).toHaveValue('129 C');
    expect(screen.getByLabelText(/put on again/)).toBeChecked();
  });

  it('offers no live way of measuring without a permit', async () => {
    const session = await panel(view('ask', [proposal()], { permit: 'isolated' }));
    session.select(0);
    await tick();
    expect(screen.getByRole('button', { name: 'Live drop' })).toBeDisabled();
    expect(screen.getByRole('button', { name: 'Isolated ohms' })).toBeEnabled();
  });
});

describe('on a phone', () => {
  it('the next probe folds away and comes back', async () => {
    await panel(view('ask', [proposal()]));
    await userEvent.click(screen.getByRole('button', { name: 'Fold' }));
    expect(screen.getByLabelText('Next probe')).toHaveClass('folded');
    const show = screen.getByRole('button', { name: 'Show' });
    expect(show).toHaveAttribute('aria-expanded', 'false');
    await userEvent.click(show);
    expect(screen.getByLabelText('Next probe')).not.toHaveClass('folded');
  });
});

describe('the steps', () => {
  it('stand as the server says, the one where the work is marked', () => {
    const progress: JobView['visit']['progress'] = [
      { step: 'supply', title: 'Supply', state: 'done', note: 'sound' },
      { step: 'walk', title: 'Walk the chain', state: 'here', note: 'here' },
      { step: 'confirm', title: 'Confirm', state: 'open', note: 'no suspect yet' }
    ];
    render(StepRail, { progress, shown: 'walk', onshow: () => {} });
    const steps = screen.getAllByRole('listitem');
    expect(steps.map((s) => s.getAttribute('aria-current'))).toEqual([null, 'step', null]);
    expect(screen.getByText('no suspect yet')).toBeInTheDocument();
  });
});
