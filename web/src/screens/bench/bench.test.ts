import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import LogPad from '../../lib/bench/LogPad.svelte';
import { api, type BenchAnswer, type BenchCard, type BenchInput, Problem } from '../../lib/api/client';
import BenchScreen from './BenchScreen.svelte';
import { found } from './search';

const input = (name: string, title: string, more: Partial<BenchInput> = {}): BenchInput => ({
  name,
  title,
  kind: 'figure',
  unit: 'W',
  required: true,
  example: '4500 W',
  choices: [],
  least: 0,
  most: 1e5,
  ...more
});

const element: BenchCard = {
  key: 'element',
  title: 'A heating element',
  kinds: ['heating-element'],
  words: ['12.8'],
  note: 'Isolated and cold.',
  inputs: [input('watts', 'Rated power'), input('volts', 'Rated voltage', { unit: 'V', example: '240 V' })]
};
const marking: BenchCard = { ...element, key: 'marking', title: 'A marking', kinds: ['limit'], words: [] };

const answer: BenchAnswer = {
  grade: 'good',
  verdict: 'Sound',
  results: [{ name: 'expected-ohms', value: 12.8, unit: 'Ω', uncertainty: 0.2 }],
  because: ['R = V^2 / P.'],
  band: '11.5 to 14.1',
  source: 'Ohm.',
  meaning: 'It heats.',
  next: 'Go on.',
  picture: {
    along: 'ohm',
    up: '',
    curve: [],
    bands: [{ from: 11, to: 14, title: 'sound', grade: 'good' }],
    points: [{ x: 12.8, y: 0, title: 'read' }]
  }
};

beforeEach(() => {
  vi.restoreAllMocks();
  vi.spyOn(api, 'checks').mockResolvedValue([element, marking]);
  vi.spyOn(api, 'benchResults').mockResolvedValue([]);
});

describe('the bench', () => {
  it('finds a check by part, figure or marking', () => {
    const keys = (typed: string) => found([element, marking], typed).map((c) => c.key);
    expect(keys('heating')).toEqual(['element']);
    expect(keys('12.8')).toEqual(['element']);
    expect(keys('L250-40F')).toEqual(['marking']);
    expect(keys('kiln')).toEqual([]);
  });

  it('answers as one types, verdict first', async () => {
    const check = vi.spyOn(api, 'check').mockResolvedValue(answer);
    render(BenchScreen, { params: { key: 'element' } });
    await userEvent.type(await screen.findByLabelText(/Rated power/), '4500');
    const said = await screen.findByRole('region', { name: 'Answer' });
    expect(said).toHaveTextContent(
      /✓ Sound.*It heats.*expected ohms.*12.8 Ω ± 0.2.*Held against 11.5 to 14.1/
    );
    expect(check).toHaveBeenLastCalledWith('element', { watts: '4500' });
  });

  it('keeps what somebody wants kept, and finds it again with what was typed', async () => {
    const one = {
      id: 'r1',
      checkKey: 'element',
      typed: 'watts=4500; volts=240',
      note: 'spare',
      grade: 'good' as const,
      verdict: 'Sound',
      keptAt: '2026-02-03T04:05:06Z'
    };
    vi.spyOn(api, 'check').mockResolvedValue(answer);
    const keep = vi.spyOn(api, 'keepResult').mockResolvedValue([one]);
    const first = render(BenchScreen, { params: { key: 'element' } });
    await userEvent.type(await screen.findByLabelText(/Rated power/), '4500');
    await userEvent.type(await screen.findByLabelText('What part it is'), 'spare');
    await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(await screen.findByText('Kept.')).toBeInTheDocument();
    expect(keep).toHaveBeenCalledWith(expect.any(String), 'element', { watts: '4500' }, 'spare');
    first.unmount();

    vi.spyOn(api, 'benchResults').mockResolvedValue([one]);
    const again = render(BenchScreen, { params: {} });
    await userEvent.click(await screen.findByText('Sound'));
    await again.rerender({ params: { key: 'element' } });
    expect(await screen.findByLabelText(/Rated power/)).toHaveValue('4500');
  });

  it('says at a field what cannot be, and scolds none that is only empty', async () => {
    vi.spyOn(api, 'check').mockRejectedValue(
      new Problem(422, 'No', 'watts: cannot be; volts: is missing', {
        watts: 'cannot be',
        volts: 'is missing'
      })
    );
    render(BenchScreen, { params: { key: 'element' } });
    await userEvent.type(await screen.findByLabelText(/Rated power/), '-3');
    expect(await screen.findByRole('alert')).toHaveTextContent('cannot be');
    expect(screen.queryByText('is missing')).not.toBeInTheDocument();
    expect(screen.getByLabelText(/Rated power/)).toHaveValue('-3');
  });

  it('shows a check that asks for a log', async () => {
    const log = {
      ...element,
      key: 'burner',
      inputs: [input('log', 'A line each', { kind: 'log', example: '0 glow' })]
    };
    vi.spyOn(api, 'checks').mockResolvedValue([log]);
    render(BenchScreen, { params: { key: 'burner' } });
    expect(await screen.findByRole('button', { name: /glow$/ })).toBeInTheDocument();
  });

  it('writes the line of an event with its time', async () => {
    const log = render(LogPad, { title: 'Log', example: '0 glow\n32 flame', text: '' });
    await userEvent.click(screen.getByRole('button', { name: /glow$/ }));
    await userEvent.click(screen.getByRole('button', { name: /flame$/ }));
    await waitFor(() =>
      expect(log.container.querySelector('textarea')?.value).toMatch(/^0\.0 glow\n0\.\d flame$/)
    );
  });
});
