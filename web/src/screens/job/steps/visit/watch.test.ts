import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import RunTimeline from './RunTimeline.svelte';
import Stopwatch from './Stopwatch.svelte';

const watch = {
  id: 'burner',
  title: 'Burner',
  note: '',
  events: { glow: 'Igniter glows', flame: 'Flame' },
  windows: ['Glow to flame: 10 s to 90 s']
};

beforeEach(() => localStorage.clear());

function shown(onkeep = vi.fn().mockResolvedValue(true)) {
  const onclose = vi.fn();
  const page = render(Stopwatch, { watch, draft: 'run j burner', busy: false, onkeep, onclose });
  return { onkeep, onclose, ...page };
}

describe('the stopwatch', () => {
  it('takes the time of each event, lets it be corrected, and keeps the run as a whole', async () => {
    const { onkeep, onclose } = shown();
    await userEvent.click(screen.getByRole('button', { name: /Igniter glows/ }));
    await userEvent.click(screen.getByRole('button', { name: /Flame/ }));
    const second = screen.getByLabelText('Second of Flame');
    await userEvent.clear(second);
    await userEvent.type(second, '32,4{Tab}');
    await userEvent.click(screen.getByRole('button', { name: 'Keep the run' }));
    await waitFor(() => expect(onkeep).toHaveBeenCalledWith('glow 0.0; flame 32.4'));
    expect(onclose).toHaveBeenCalled();
  });

  it('keeps a run that is not told yet over a reload', async () => {
    const first = shown(vi.fn().mockResolvedValue(false));
    await userEvent.click(screen.getByRole('button', { name: /Igniter glows/ }));
    first.unmount();
    shown();
    expect(screen.getByLabelText('Second of Igniter glows')).toHaveValue('0.0');
    await userEvent.click(screen.getByRole('button', { name: 'Take back Igniter glows' }));
    expect(screen.queryByLabelText('Second of Igniter glows')).not.toBeInTheDocument();
  });
});

describe('a run that was watched', () => {
  it('says how long each stretch took, against its window, and what it means', () => {
    render(RunTimeline, {
      run: {
        watch: 'burner',
        title: 'Burner',
        events: [
          { id: 'glow', title: 'Igniter glows', seconds: 0 },
          { id: 'flame', title: 'Flame', seconds: 125 }
        ],
        spans: [{ title: 'Glow to flame', from: 0, to: 125, band: '10 s to 90 s', fits: false }],
        meanings: ['Late.'],
        fits: false
      }
    });
    expect(screen.getByText('✗ Not as it has to be')).toBeInTheDocument();
    expect(screen.getByRole('listitem')).toHaveTextContent('Glow to flame: 2:05 (10 s to 90 s)');
    expect(screen.getByText('Late.')).toBeInTheDocument();
  });
});
