import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Answer } from '../api/client';
import * as fixtures from '../api/fixtures';
import CircuitDrawing from './CircuitDrawing.svelte';
import { brief, layout, wrap } from './layout';
import { asFile } from './svgFile';

const sheet = fixtures.sheet({
  points: Object.fromEntries(['L', 'A', 'N'].map((id) => [id, { id, title: `Point ${id}` }])),
  parts: {
    limit: fixtures.part('limit', 'limit', 'L', 'A', { title: 'the limit' }),
    element: fixtures.part('element', 'heating-element', 'A', 'N', {
      title: 'the element',
      behaviour: { rating: { ohms: 16, powerFactor: 1, runsAbove: 0.7 }, tolerance: 0.1 }
    })
  }
});

const answer: Answer = {
  points: [
    { point: 'L', sound: 240, now: 240, floating: false },
    { point: 'A', sound: 240, now: 38.2, floating: true },
    { point: 'N', sound: 0, now: 0, floating: false }
  ],
  parts: [
    { part: 'limit', volts: 201, amperes: 0, watts: 0, ohms: 1e9, soundAmperes: 15 },
    { part: 'element', volts: 38, amperes: 0, watts: 0, ohms: 16, soundAmperes: 15, powerShare: 0 }
  ],
  paths: [],
  readings: [],
  notes: [],
  situation: 'call',
  reference: 'N'
};

const props = () => ({
  drawing: fixtures.drawing,
  sheet,
  answer,
  supposed: new Set(['limit']),
  selected: '',
  red: 'L',
  black: '',
  width: 600,
  onpart: vi.fn(),
  onpoint: vi.fn()
});

describe('the drawn circuit', () => {
  it('writes the solved volts at every point and marks a ghost as one', () => {
    render(CircuitDrawing, props());
    expect(screen.getByText('240 V')).toBeInTheDocument();
    expect(screen.getByText('~38.2 V')).toHaveClass('ghost');
  });

  it('shows an open link as a ring with gaps and what is supposed as such', () => {
    const { container } = render(CircuitDrawing, props());
    expect(container.querySelectorAll('path.open')).toHaveLength(1);
    expect(container.querySelectorAll('g.supposed')).toHaveLength(1);
  });

  it('lets parts and points be chosen by pointer and by keyboard', async () => {
    const given = props();
    render(CircuitDrawing, given);
    await userEvent.click(screen.getByRole('button', { name: 'the element' }));
    expect(given.onpart).toHaveBeenCalledWith('element');
    screen.getByRole('button', { name: /^Point A,/ }).focus();
    await userEvent.keyboard('{Enter}');
    expect(given.onpoint).toHaveBeenCalledWith('A');
  });

  it('is saved as a file that needs no page around it', () => {
    const { container } = render(CircuitDrawing, props());
    const file = asFile(container.querySelector('svg') as SVGSVGElement);
    expect(file.match(/xmlns="http:\/\/www.w3.org\/2000\/svg"/g)).toHaveLength(1);
    expect(file).not.toContain('class=');
  });
});

describe('the layout', () => {
  it('keeps columns wide enough to read and scrolls where there is no room', () => {
    expect(layout({ ...fixtures.drawing, columns: 40 }, 800).width).toBeGreaterThan(2000);
    expect(layout({ ...fixtures.drawing, columns: 2 }, 800).column).toBe(128);
  });

  it('breaks labels into lines and keeps a number with its word', () => {
    expect(wrap('sequencer stage 1', 70)).toEqual(['sequencer', 'stage\u00a01']);
  });

  it('says volts in few letters', () => {
    expect([brief(119.6, 240), brief(0.002, 240), brief(0.154, 0.7), brief(12.34, 24)]).toEqual([
      '120 V',
      '0 V',
      '154 mV',
      '12.3 V'
    ]);
  });
});
