import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { JobView, PathTests, Proposal, Sheet } from '../../lib/api/client';
import NextPanel from './NextPanel.svelte';
import { PLAIN, proposed } from './probe';
import StepRail from './StepRail.svelte';

const sheet = {
  points: { C1: { id: 'C1', title: 'Limit in' }, C2: { id: 'C2', title: 'Limit out' } },
  parts: { limit: { id: 'limit', title: 'high limit', from: 'C1', to: 'C2', thermal: {} } },
  situations: { call: { id: 'call', title: 'Heat called', supplyOn: true } }
} as unknown as Sheet;

const across = { red: 'C1', black: 'C2', across: 'limit', liftedAt: [], expect: [] };
const tests: PathTests = {
  path: 'heat',
  supply: [],
  links: [
    {
      part: 'limit',
      tests: [
        { ...across, way: 'drop', title: 'Live drop', live: true, function: 'volts-ac', situation: 'call' },
        { ...across, way: 'ohms', title: 'Isolated ohms', live: false, function: 'ohms', situation: 'off' }
      ]
    }
  ]
};

function proposal(more: object = {}): Proposal {
  return {
    id: 'volts-ac C1 C2 call',
    kind: 'measure',
    function: 'volts-ac',
    red: 'C1',
    black: 'C2',
    across: 'limit',
    situation: 'call',
    liftedAt: [],
    reseated: false,
    title: 'AC volts across the high limit',
    steps: [],
    expect: [],
    why: 'Settles 40 % of what is open in 0.6 min.',
    minutes: 0.6,
    opening: 0,
    bits: 1,
    confirms: false,
    hazards: ['Live: one hand.'],
    ...more
  } as unknown as Proposal;
}

function view(state: string, next: Proposal[], more: object = {}): JobView {
  return {
    job: { complaint: 'cold', permit: 'live', ...more },
    complaintTitle: 'Stays cold',
    plan: { state, say: 'Confirm the high limit.', confirmBy: '', next, expected: { probes: 1, minutes: 1 } },
    assessment: { supply: { verdict: 'sound' }, leading: { confirmed: state === 'found' } }
  } as unknown as JobView;
}

function panel(shown: JobView, more: object = {}) {
  const calls = { onlog: vi.fn(), onanswer: vi.fn(), onskip: vi.fn(), onunreachable: vi.fn() };
  const next = shown.plan.next[0];
  render(NextPanel, {
    view: shown,
    sheet,
    tests,
    probe: next?.kind === 'measure' ? proposed(next, sheet) : undefined,
    proposal: next,
    meters: [],
    live: true,
    busy: false,
    error: '',
    closed: false,
    own: undefined,
    instead: undefined,
    how: { ...PLAIN },
    value: '',
    field: undefined,
    ...calls,
    ...more
  });
  return calls;
}

describe('what comes next', () => {
  it('is a probe, or one that cannot be reached or is skipped', async () => {
    const { onskip, onunreachable } = panel(view('ask', [proposal()]));
    const card = within(screen.getByLabelText('Next probe'));
    expect(card.getByText('Next probe')).toBeInTheDocument();
    await userEvent.click(card.getByRole('button', { name: "Can't reach C2" }));
    expect(onunreachable).toHaveBeenCalledWith('C2');
    await userEvent.click(card.getByRole('button', { name: 'Skip' }));
    expect(onskip).toHaveBeenCalledOnce();
  });

  it('is headed as the confirming test where it is one', () => {
    panel(view('confirm', [proposal({ confirms: true })]));
    expect(screen.getByRole('heading', { name: 'Confirm' })).toBeInTheDocument();
  });

  it('has its alternatives behind a button, with their minutes', async () => {
    const other = proposal({ id: 'look limit', kind: 'look', title: 'Look at the high limit', minutes: 3.5 });
    panel(view('ask', [proposal(), other]));
    expect(screen.queryByText('Look at the high limit')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Other probes' }));
    expect(screen.getByRole('button', { name: 'Look at the high limit' })).toBeInTheDocument();
    expect(screen.getByText('3.5 min')).toBeInTheDocument();
  });

  it('says how much of its minutes goes into opening', () => {
    panel(view('ask', [proposal({ minutes: 10.5, opening: 7 })]));
    expect(screen.getByText(/, 7 min of it opening/)).toBeInTheDocument();
  });

  it.each([
    ['found', 'Found'],
    ['clear', 'It is clear what to deal with'],
    ['nothing-worth', 'Nothing worth its minutes'],
    ['nothing-left', 'Nothing left to ask']
  ])('ends with a heading of its own and a sentence: %s', (state, title) => {
    panel(view(state, []));
    expect(screen.getByRole('heading', { name: title })).toBeInTheDocument();
    expect(screen.getByText('Confirm the high limit.')).toBeInTheDocument();
  });

  it('is the outcome once the job is closed', () => {
    panel(view('found', [], { outcome: 'Limit renewed' }), { closed: true });
    expect(screen.getByText('Limit renewed')).toBeInTheDocument();
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  it('says that terminals were put on again and how hot the part is, before the value is logged', () => {
    panel(view('confirm', [proposal({ reseated: true })]), {
      how: { meter: '', celsius: '129 C', reseated: true }
    });
    expect(screen.getByText(/at 129 C, re-seated/)).toBeInTheDocument();
    expect(screen.getByRole('checkbox')).toBeChecked();
  });

  it('offers no live way of measuring without a permit', () => {
    panel(view('ask', [proposal()]), { own: { riser: 0, way: 'ohms' }, live: false });
    expect(screen.getByRole('button', { name: 'Live drop' })).toBeDisabled();
    expect(screen.getByRole('button', { name: 'Isolated ohms' })).toBeEnabled();
  });
});

describe('on a phone', () => {
  it('the next probe folds away and comes back', async () => {
    panel(view('ask', [proposal()]));
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
    const progress: JobView['progress'] = [
      { step: 'supply', title: 'Supply', state: 'done', note: 'sound' },
      { step: 'walk', title: 'Walk the chain', state: 'here', note: 'here' },
      { step: 'confirm', title: 'Confirm', state: 'open', note: 'no suspect yet' }
    ];
    render(StepRail, { progress });
    const steps = screen.getAllByRole('listitem');
    expect(steps.map((s) => s.getAttribute('aria-current'))).toEqual([null, 'step', null]);
    expect(screen.getByText('no suspect yet')).toBeInTheDocument();
  });
});
