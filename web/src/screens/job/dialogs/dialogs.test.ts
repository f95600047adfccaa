import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type Forecast, Problem } from '../../../lib/api/client';
import BenchDialog from './BenchDialog.svelte';
import PlanDialog from './PlanDialog.svelte';
import StrikeDialog from './StrikeDialog.svelte';

afterEach(() => vi.restoreAllMocks());

const CHANGED = { why: 'The job was changed meanwhile.', final: true };

describe('the dialog of the plan', () => {
  const policy = {
    method: 'mixed',
    order: 'best-value',
    exposureMinutes: 0.5,
    unreachable: ['A', 'N'],
    skipped: ['look limit']
  } as const;
  const forecast: Forecast[] = [
    { order: 'best-value', probes: 2.4, minutes: 6 },
    { order: 'along-the-wire', probes: 4, minutes: 11 }
  ];

  function open(permit = 'isolated') {
    const calls = { onkeep: vi.fn().mockResolvedValue(undefined), onclose: vi.fn() };
    const unreachable = [...policy.unreachable];
    render(PlanDialog, {
      job: 'j',
      permit,
      policy: { ...policy, unreachable, skipped: [...policy.skipped] },
      ...calls
    });
    return calls;
  }

  const keep = () => userEvent.click(screen.getByRole('button', { name: 'Plan so' }));

  it('compares the orders, or says why it cannot', async () => {
    vi.spyOn(api, 'forecast').mockResolvedValueOnce(forecast);
    open();
    expect(await screen.findByText('4.0 probes')).toBeInTheDocument();
    vi.spyOn(api, 'forecast').mockRejectedValueOnce(new Problem(503, 'Busy', 'Too busy just now.'));
    open();
    expect(await screen.findByText('Too busy just now.')).toBeInTheDocument();
  });

  it('keeps what was changed, and all else as it was', async () => {
    vi.spyOn(api, 'forecast').mockResolvedValue(forecast);
    const { onkeep, onclose } = open();
    await userEvent.click(screen.getByLabelText('Live permitted'));
    await userEvent.selectOptions(screen.getByLabelText('Method'), 'live-drops');
    await userEvent.click(screen.getByRole('button', { name: 'A ×' }));
    await userEvent.click(screen.getByRole('button', { name: 'Propose them again' }));
    await keep();
    expect(onkeep).toHaveBeenCalledWith('live', {
      ...policy,
      method: 'live-drops',
      unreachable: ['N'],
      skipped: []
    });
    await waitFor(() => expect(onclose).toHaveBeenCalledOnce());
  });

  it.each(['', 'two', '-1', '2000'])('takes no price like "%s"', async (typed) => {
    vi.spyOn(api, 'forecast').mockResolvedValue(forecast);
    const { onkeep } = open();
    const price = screen.getByLabelText(/What a live measurement costs/);
    await userEvent.clear(price);
    if (typed) await userEvent.type(price, typed);
    expect(screen.getByText(/A number of minutes from 0 to 1000/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Plan so' })).toBeDisabled();
    expect(onkeep).not.toHaveBeenCalled();
  });

  it('stays open with what was typed where that failed', async () => {
    vi.spyOn(api, 'forecast').mockResolvedValue(forecast);
    const { onkeep, onclose } = open();
    onkeep.mockResolvedValue(CHANGED);
    const price = screen.getByLabelText(/What a live measurement costs/);
    await userEvent.clear(price);
    await userEvent.type(price, '0,75');
    await keep();
    expect(await screen.findByText(CHANGED.why)).toBeInTheDocument();
    expect(onkeep.mock.calls[0]?.[1]).toMatchObject({ exposureMinutes: 0.75 });
    expect(price).toHaveValue('0,75');
    expect(onclose).not.toHaveBeenCalled();
  });
});

describe('the dialog of striking out', () => {
  function open() {
    const calls = { onstrike: vi.fn().mockResolvedValue(undefined), onclose: vi.fn() };
    render(StrikeDialog, calls);
    return calls;
  }

  const strike = () => screen.getByRole('button', { name: 'Strike out' });

  it('asks for a reason', async () => {
    const { onstrike, onclose } = open();
    expect(strike()).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Why'), 'slipped');
    await userEvent.click(strike());
    expect(onstrike).toHaveBeenCalledWith('slipped');
    await waitFor(() => expect(onclose).toHaveBeenCalledOnce());
  });

  it('is sent once, however often it is pressed', async () => {
    const { onstrike } = open();
    onstrike.mockReturnValue(new Promise(() => {}));
    await userEvent.type(screen.getByLabelText('Why'), 'slipped{Enter}{Enter}');
    expect(onstrike).toHaveBeenCalledOnce();
  });
});

describe('a part on the bench', () => {
  const card = {
    key: 'disc-heat-up',
    title: 'A disc heated slowly',
    kinds: [],
    words: [],
    note: '',
    inputs: [
      {
        name: 'opens-at',
        title: 'Rated to open at',
        kind: 'figure' as const,
        unit: 'C',
        required: true,
        example: '121 C',
        choices: [],
        least: 0,
        most: 400
      }
    ]
  };
  const answer = {
    grade: 'bad' as const,
    verdict: 'Opens too early',
    results: [],
    because: [],
    band: '',
    source: 'Practice.',
    meaning: '',
    next: ''
  };

  it('brings its ratings, and what fails is logged with what was typed', async () => {
    vi.spyOn(api, 'benchOf').mockResolvedValue([{ card, given: { 'opens-at': '121 C' } }]);
    const check = vi.spyOn(api, 'check').mockResolvedValue(answer);
    const onlog = vi.fn().mockResolvedValue(true);
    const onclose = vi.fn();
    render(BenchDialog, { job: 'j', part: 'limit', title: 'high limit', onlog, onclose });
    expect(await screen.findByLabelText(/Rated to open at/)).toHaveValue('121 C');
    expect(await screen.findByText('✗ Opens too early')).toBeInTheDocument();
    expect(check).toHaveBeenCalledWith('disc-heat-up', { 'opens-at': '121 C' });
    await userEvent.click(screen.getByRole('button', { name: 'Log that it failed' }));
    expect(onlog).toHaveBeenCalledWith('disc-heat-up: opens-at=121 C');
    await waitFor(() => expect(onclose).toHaveBeenCalled());
  });

  it('logs nothing that is doubtful', async () => {
    vi.spyOn(api, 'benchOf').mockResolvedValue([{ card, given: { 'opens-at': '121 C' } }]);
    vi.spyOn(api, 'check').mockResolvedValue({ ...answer, grade: 'doubtful' });
    render(BenchDialog, { job: 'j', part: 'limit', title: 'high limit', onlog: vi.fn(), onclose: vi.fn() });
    expect(await screen.findByText(/Doubtful is no evidence/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Log that it passed' })).toBeDisabled();
  });
});
