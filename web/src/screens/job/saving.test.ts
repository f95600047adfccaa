import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type JobView, type PathTests, Problem } from '../../lib/api/client';
import JobScreen from './JobScreen.svelte';

const entry = {
  id: 'e1',
  number: 1,
  item: { situation: 'call', value: '238' },
  takenAt: '2026-02-03T04:05:06Z'
};

function view(evidence: object[]): JobView {
  return {
    job: {
      id: 'j',
      unitTag: 'LAU-2',
      unitTitle: 'Dryer',
      permit: 'live',
      openedAt: '2026-02-03T04:05:06Z',
      version: 1
    },
    sheetTitle: 'Dryer',
    complaintTitle: '',
    evidence,
    policy: {},
    assessment: {
      parts: [
        {
          id: 'limit',
          title: 'high limit',
          verdict: 'untested',
          probability: 0,
          modes: [],
          because: [],
          reading: ''
        }
      ],
      supply: { verdict: 'unmeasured', probability: 0, because: [] },
      leading: {
        part: 'unit',
        mode: 'sound',
        title: 'nothing wrong',
        probability: 0.3,
        confirmed: false
      },
      paths: [
        {
          id: 'heat',
          title: 'Heat',
          situation: 'call',
          returnPoint: 'N',
          treads: [
            { point: 'L', expected: 240, estimated: 240, low: 239, high: 241 },
            { point: 'N', expected: 0, estimated: 0, low: 0, high: 0 }
          ],
          risers: [{ part: 'limit', ifSound: 0, ifOpen: 240, ohmsIfSound: 0.1, amperesIfSound: 20 }]
        }
      ],
      flags: [],
      evidence: [],
      unexplained: 0
    },
    plan: { state: 'ask', say: '', confirmBy: '', next: [], expected: { probes: 1, minutes: 1 } },
    progress: []
  } as unknown as JobView;
}

const sheet = {
  points: { L: { id: 'L', title: 'Line' }, N: { id: 'N', title: 'Neutral' } },
  parts: { limit: { id: 'limit', title: 'high limit', from: 'L', to: 'N' } },
  situations: { call: { id: 'call', title: 'Heat called', supplyOn: true } },
  supply: { terminals: { line1: 'L', neutral: 'N' }, system: 'single-phase', dc: false },
  codes: {}
};

const LOST = new Problem(0, 'No answer', 'Jolly Chain does not answer.');

describe('a reading whose answer was lost', () => {
  beforeEach(() => {
    localStorage.clear();
    // the test's page has no layout to observe
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe() {}
        unobserve() {}
        disconnect() {}
      }
    );
    vi.spyOn(api, 'sheet').mockResolvedValue(sheet as never);
    vi.spyOn(api, 'meters').mockResolvedValue([]);
    vi.spyOn(api, 'tests').mockResolvedValue(tests);
  });
  afterEach(() => vi.restoreAllMocks());

  const drop = {
    way: 'drop' as const,
    title: 'Live drop',
    live: true,
    function: 'volts-ac',
    red: 'L',
    black: 'N',
    situation: 'call',
    liftedAt: [],
    expect: []
  };
  const tests: PathTests[] = [
    { path: 'heat', supply: [drop], links: [{ part: 'limit', tests: [{ ...drop, across: 'limit' }] }] }
  ];

  async function open(loaded: JobView) {
    vi.spyOn(api, 'job').mockResolvedValue(loaded);
    const page = render(JobScreen, { params: { id: 'j' } });
    await screen.findByRole('heading', { name: /LAU-2/ });
    return page;
  }

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
    await screen.findAllByText('Jolly Chain does not answer.');
    expect(why).toHaveValue('probe slipped');
    expect(screen.getByText('Strike this out?')).toBeVisible();
  });
});
