import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type JobView, Problem } from '../../../../lib/api/client';
import { job, jobView, sheet, visit } from '../../../../lib/api/fixtures';
import { JobSession } from '../../JobSession.svelte';
import ArriveStep from './ArriveStep.svelte';
import CauseStep from './CauseStep.svelte';
import GetInStep from './GetInStep.svelte';
import ProveStep from './ProveStep.svelte';
import PutRightStep from './PutRightStep.svelte';
import SignOffStep from './SignOffStep.svelte';

const item = (id: string, title: string, answer = '', due = true) => ({
  id,
  title,
  note: '',
  minutes: 1,
  answer,
  due
});

const CAUSE: JobView['visit']['cause'] = {
  opened: 'limit',
  wears: true,
  otherwise: 0.1,
  state: 'ask',
  say: 'Most likely so far: Lint.',
  answered: [
    {
      id: 'air',
      title: 'Air',
      outcomes: { weak: 'Weak', strong: 'Strong' },
      answer: 'weak',
      before: ['Strong']
    }
  ],
  causes: [
    {
      id: 'lint',
      title: 'Lint',
      probability: 0.7,
      shown: false,
      found: false,
      because: ['Air: Weak speaks for it.'],
      putRight: ['Cleaned']
    },
    {
      id: 'hood',
      title: 'Hood stuck',
      probability: 0.2,
      shown: false,
      found: false,
      because: [],
      putRight: []
    }
  ],
  next: [
    {
      id: 'flap',
      title: 'Flap of the hood',
      power: 'any',
      minutes: 2,
      why: 'It shows.',
      hazards: ['A ladder'],
      outcomes: [
        { id: 'free', title: 'Free', chance: 0.8, meaning: 'Lint' },
        { id: 'stuck', title: 'Stuck', chance: 0.2, meaning: 'Hood stuck' }
      ],
      bits: 0.5
    },
    {
      id: 'duct',
      title: 'Duct with a lamp',
      power: 'off',
      minutes: 5,
      why: '',
      hazards: [],
      outcomes: [],
      bits: 0.3
    }
  ]
};

function session(view: JobView): JobSession {
  const opened = new JobSession('j');
  opened.view = view;
  return opened;
}

describe('the steps of a visit', () => {
  beforeEach(() => {
    localStorage.clear();
    vi.restoreAllMocks();
  });

  it('answer simple things one key each, the first unanswered before the others', async () => {
    const view = jobView({
      visit: visit({
        simple: [item('door', 'Door shut', 'yes'), item('plug', 'Plug in')],
        hazards: [item('gas', 'Gas off')]
      })
    });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(ArriveStep, { session: session(view), view, sheet: sheet() });
    const keys = document.querySelectorAll<HTMLElement>('[data-key]');
    expect([...keys].map((k) => k.dataset.key)).toEqual(['1', '2']);
    expect(screen.getAllByRole('button', { pressed: true })).toHaveLength(1);
    keys[1]?.click();
    await vi.waitFor(() =>
      expect(tell).toHaveBeenCalledWith('j', expect.any(String), {
        kind: 'given',
        subject: 'plug',
        value: 'no'
      })
    );
    // the answer is on its way until then
    await vi.waitFor(() => expect(screen.getByRole('button', { name: 'Read' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Read' }));
    expect(tell).toHaveBeenLastCalledWith('j', expect.any(String), {
      kind: 'read',
      subject: 'gas',
      value: ''
    });
  });

  it('open what the next probe needs, and close what is open', async () => {
    const view = jobView({
      visit: visit({
        accesses: [
          item('rear', 'Rear panel', ''),
          item('top', 'Top', 'yes', false),
          item('kick', 'Kick plate', '', false)
        ]
      })
    });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(GetInStep, { session: session(view), view });
    expect(within(screen.getByLabelText('For the next probe')).getByText('Rear panel')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Closed again' }));
    expect(tell).toHaveBeenCalledWith('j', expect.any(String), { kind: 'closed', subject: 'top', value: '' });
  });

  it('ask the check that tells most, and take another instead', async () => {
    const view = jobView({ visit: visit({ cause: CAUSE }) });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(CauseStep, { session: session(view), view, sheet: sheet() });
    const next = screen.getByLabelText('Next check');
    expect(within(next).getByText('A ladder')).toBeInTheDocument();
    await userEvent.click(within(next).getByRole('button', { name: /Stuck/ }));
    expect(tell).toHaveBeenCalledWith('j', expect.any(String), {
      kind: 'check',
      subject: 'flap',
      value: 'stuck'
    });
    await userEvent.click(screen.getByRole('button', { name: 'Other checks' }));
    await userEvent.click(screen.getByRole('button', { name: 'Duct with a lamp' }));
    expect(within(next).queryByText('Flap of the hood')).toBeNull();
    expect(within(screen.getByLabelText('Causes')).getByText('70 %')).toBeInTheDocument();
    expect(within(screen.getByLabelText('Causes')).getByText(/Worn with age/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'It wore out with age' }));
    expect(tell).toHaveBeenLastCalledWith('j', expect.any(String), {
      kind: 'cause',
      subject: 'none',
      value: 'It wore out with age'
    });
  });

  it('show what was answered, and take another answer', async () => {
    const view = jobView({ visit: visit({ cause: CAUSE }) });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(CauseStep, { session: session(view), view, sheet: sheet() });
    const answered = within(screen.getByRole('region', { name: 'Answered' }));
    expect(answered.getByText('before: Strong')).toBeInTheDocument();
    await userEvent.click(answered.getByRole('button', { name: 'Answer again' }));
    expect(answered.getByRole('button', { name: 'Weak' })).toBeDisabled();
    await userEvent.click(answered.getByRole('button', { name: 'Strong' }));
    expect(tell).toHaveBeenCalledWith('j', expect.any(String), {
      kind: 'check',
      subject: 'air',
      value: 'strong'
    });
  });

  it('tell that no cause was found, with the reason', async () => {
    const view = jobView({ visit: visit({ cause: CAUSE }) });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(CauseStep, { session: session(view), view, sheet: sheet() });
    await userEvent.type(screen.getByLabelText('No cause found, because'), 'walled in');
    await userEvent.click(screen.getByRole('button', { name: 'Say so' }));
    expect(tell).toHaveBeenCalledWith('j', expect.any(String), {
      kind: 'cause',
      subject: 'none',
      value: 'walled in'
    });
  });

  it('keep what was typed where a part is refused', async () => {
    const view = jobView({ visit: visit({ actions: [item('clean', 'Cleaned')] }) });
    vi.spyOn(api, 'tell').mockRejectedValue(new Problem(422, 'No', 'renewed like for like only'));
    render(PutRightStep, { session: session(view), view, sheet: sheet() });
    const field = screen.getByLabelText(/^Printed on the new/);
    await userEvent.type(field, '196 C');
    await userEvent.click(screen.getByRole('button', { name: 'Renewed' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('like for like');
    expect(field).toHaveValue('196 C');
  });

  it('let the old part or the list answer where nothing was compared', async () => {
    const renewed = {
      part: 'limit',
      title: 'high limit',
      printed: '',
      read: false,
      verdict: 'not-readable' as const,
      compared: [],
      differences: [],
      settled: false,
      failed: true
    };
    const view = jobView({ visit: visit({ renewed: [renewed] }) });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(PutRightStep, { session: session(view), view, sheet: sheet() });
    expect(screen.getByText(/It protects: say what it bears beside the old one/)).toBeInTheDocument();
    const [same] = screen.getAllByRole('button', { name: /Same print as on the old one/ });
    await userEvent.click(same as HTMLElement);
    const [listed] = screen.getAllByRole('button', { name: "Named in the maker's list" });
    await userEvent.click(listed as HTMLElement);
    expect(tell.mock.calls.map((c) => c[2])).toMatchObject([
      { kind: 'renewed', subject: 'limit', value: 'same as the old one' },
      { kind: 'renewed', subject: 'limit', value: "by the maker's list" }
    ]);
  });

  it('go back to the walk where what is complained of stays', async () => {
    const view = jobView({
      job: job({ complaint: 'no-heat' }),
      visit: visit({ actions: [{ ...item('clean', 'Cleaned'), answer: 'yes' }] })
    });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    const opened = session(view);
    opened.show('prove');
    render(ProveStep, { session: opened, view, sheet: sheet() });
    await userEvent.click(screen.getByRole('button', { name: /It still does it/ }));
    expect(tell.mock.calls[0]?.[2]).toEqual({ kind: 'stays', subject: 'no-heat', value: '' });
    await vi.waitFor(() => expect(opened.step).toBe('walk'));
  });

  it('take a set together: each part is renewed, or stays in for a reason', async () => {
    const member = { title: 'thermal cut-off', renewed: false, kept: '' };
    const set = {
      title: 'thermal cut-off',
      why: 'The heat that opened one has cooked the other.',
      members: [
        { ...member, part: 'cutoff' },
        { ...member, part: 'limit', title: 'high limit' }
      ]
    };
    const view = jobView({ visit: visit({ sets: [set] }) });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    render(PutRightStep, { session: session(view), view, sheet: sheet() });
    const group = within(screen.getByRole('group', { name: 'Renewed with the thermal cut-off' }));
    await userEvent.type(group.getByLabelText('Printed on the new thermal cut-off'), '178 C{Enter}');
    expect(tell).not.toHaveBeenCalled();
    expect(group.getByLabelText('Printed on the new high limit')).toHaveFocus();
    await userEvent.keyboard('L240-30F{Enter}');
    await vi.waitFor(() => expect(tell).toHaveBeenCalledTimes(2));
    expect(tell.mock.calls.map((c) => c[2])).toMatchObject([
      { kind: 'renewed', subject: 'cutoff', value: '178 C' },
      { kind: 'renewed', subject: 'limit', value: 'L240-30F' }
    ]);
    // the part that failed does not stay in
    expect(group.queryByRole('button', { name: 'The thermal cut-off stays in' })).toBeNull();
    await userEvent.click(group.getByRole('button', { name: 'The high limit stays in' }));
    const why = group.getByLabelText('Why the high limit stays in');
    expect(group.getByRole('button', { name: 'It stays in' })).toBeDisabled();
    await userEvent.type(why, 'opens at its marking{Enter}');
    await vi.waitFor(() => expect(tell).toHaveBeenCalledTimes(3));
    expect(tell.mock.calls[2]?.[2]).toMatchObject({
      kind: 'kept',
      subject: 'limit',
      value: 'opens at its marking'
    });
  });

  it('show what a clamp has to show', () => {
    const view = jobView({
      visit: visit({
        proofs: [{ id: 'warm', title: 'Warm', note: '', answer: '', minutes: 2, figures: [] }],
        currents: [
          { load: 'element', title: 'element', situation: 'Heat', amperes: 20.6, low: 18, high: 23.2 }
        ]
      })
    });
    render(ProveStep, { session: session(view), view, sheet: sheet() });
    expect(screen.getByText('Warm (within 2 min)')).toBeInTheDocument();
    expect(screen.getByText('18.0 A to 23.2 A')).toBeInTheDocument();
  });

  it('prove by a figure what has one, and let nobody say it holds before it was read', async () => {
    const amperes = {
      id: 'current/element',
      title: 'element, Heat',
      unit: 'A',
      low: 18,
      high: 23.2,
      read: '',
      before: '21.4',
      fits: false
    };
    const current = { id: 'current', title: 'Current', note: '', answer: '', minutes: 0 };
    const view = jobView({ visit: visit({ proofs: [{ ...current, figures: [amperes] }] }) });
    const tell = vi.spyOn(api, 'tell').mockResolvedValue(view);
    const { rerender } = render(ProveStep, { session: session(view), view, sheet: sheet() });
    expect(screen.getByText(/Due: 18 to 23.2 A · last visit 21.4 A/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Holds' })).toBeDisabled();
    expect(screen.getByRole('button', { name: 'Does not' })).toBeEnabled();
    const field = screen.getByLabelText(/element, Heat/);
    await userEvent.type(field, ' 12.5 ');
    await userEvent.tab();
    await vi.waitFor(() =>
      expect(tell).toHaveBeenCalledWith('j', expect.any(String), {
        kind: 'measured',
        subject: 'current/element',
        value: '12.5'
      })
    );
    const low = jobView({
      visit: visit({ proofs: [{ ...current, answer: 'no', figures: [{ ...amperes, read: '12.5' }] }] })
    });
    await rerender({ session: session(low), view: low, sheet: sheet() });
    expect(screen.getByText(/Not within 18 to 23.2 A/)).toBeInTheDocument();
    // the unit may be another than its sheet: who stands before it has the last word
    expect(screen.getByRole('button', { name: 'Holds' })).toBeEnabled();
  });

  it('sign off with what was found and done, to be changed', async () => {
    const view = jobView({ visit: visit({ summary: 'Limit open. Limit renewed.' }) });
    const close = vi.spyOn(api, 'closeJob').mockResolvedValue(view);
    render(SignOffStep, { session: session(view), view });
    expect(screen.getByLabelText('In words, for the customer')).toHaveValue('Limit open. Limit renewed.');
    await userEvent.click(screen.getByLabelText(/No part warranted/));
    await userEvent.click(screen.getByRole('button', { name: 'Sign off' }));
    expect(close).toHaveBeenCalledWith('j', 'not-reproduced', 'Limit open. Limit renewed.', {
      version: 1,
      changes: 0
    });
  });

  it('lead to the job sheet once closed', () => {
    const view = jobView({
      job: job({ closedAt: '2026-02-03T06:00:00Z', closedAs: 'repaired', outcome: 'Heats.' })
    });
    render(SignOffStep, { session: session(view), view });
    expect(screen.getByRole('link', { name: /Job sheet/ })).toHaveAttribute('href', '/api/jobs/j/sheet.pdf');
  });

  it('go on to the next step when the last of one is told', async () => {
    const progress = (cause: 'here' | 'done', right: 'open' | 'here'): JobView['visit']['progress'] => [
      { step: 'cause', title: 'Cause', state: cause, note: '' },
      { step: 'put-right', title: 'Put right', state: right, note: '' }
    ];
    const opened = session(jobView({ visit: visit({ progress: progress('here', 'open') }) }));
    opened.show('cause');
    vi.spyOn(api, 'tell').mockResolvedValue(
      jobView({ visit: visit({ progress: progress('done', 'here') }) })
    );
    await opened.tell('check', 'flap', 'stuck');
    expect(opened.step).toBe('put-right');
    opened.turn(-1);
    expect(opened.step).toBe('cause');
  });
});
