import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { PartAssessment, Verdict } from '../api/client';
import ChainStrip from './ChainStrip.svelte';
import LinkRing from './LinkRing.svelte';
import { scale } from './scale';
import { riser, staircase, tread } from './staircase.fixture';
import StaircaseChart from './StaircaseChart.svelte';

const path = staircase(
  [tread('L1', 240, 239.5), tread('A', 240), tread('L2', 0)],
  [riser('switch'), riser('limit')]
);

function part(id: string, verdict: Verdict, reading: string): [string, PartAssessment] {
  return [id, { id, title: `the ${id}`, verdict, probability: 0, modes: [], reading, because: [] }];
}

const parts = new Map([part('switch', 'passes', '0.1 V'), part('limit', 'open', '239.5 V')]);

describe('the chain strip', () => {
  it('says name, verdict and last reading of every link and lets one choose it', async () => {
    const onselect = vi.fn();
    render(ChainStrip, { path, parts, selected: 0, onselect });
    const limit = screen.getByRole('button', { name: /the limit\s+open\s+239\.5 V/ });
    expect(screen.getByRole('button', { name: /the switch/ })).toHaveAttribute('aria-pressed', 'true');
    await userEvent.click(limit);
    expect(onselect).toHaveBeenCalledWith(1);
  });
});

describe('the staircase chart', () => {
  it('marks what was read and calls out the link under suspicion', () => {
    const { container } = render(StaircaseChart, {
      path,
      parts,
      selected: -1,
      width: 600,
      onselect: vi.fn()
    });
    expect(container.querySelectorAll('circle.mark')).toHaveLength(1);
    expect(container.querySelectorAll('line.suspect')).toHaveLength(1);
    expect(screen.getByText('the limit')).toBeInTheDocument();
  });

  describe('with a callout', () => {
    const measured = { volts: 31.2, amperes: 18, ohms: 1.7, watts: 560, supplyShare: 0.13 };

    function callout(before: number, after: number) {
      const dropping = {
        ...path,
        treads: [tread('L1', 240), tread('A', before), tread('B', after), tread('L2', 0)],
        risers: [riser('switch'), riser('limit'), riser('element')]
      };
      const suspects = new Map([
        part('switch', 'passes', ''),
        ['limit', { ...part('limit', 'dropping', '31.2 V')[1], measured }] as [string, PartAssessment],
        part('element', 'passes', '')
      ]);
      const { container } = render(StaircaseChart, {
        path: dropping,
        parts: suspects,
        selected: -1,
        width: 600,
        onselect: vi.fn()
      });
      const box = container.querySelector('rect.callout');
      const [, x, y] =
        /translate\((\S+) (\S+)\)/.exec(box?.parentElement?.getAttribute('transform') ?? '') ?? [];
      const names = [...container.querySelectorAll('text.point')].map((t) => ({
        name: t.textContent,
        x: Number(t.getAttribute('x')),
        y: Number(t.getAttribute('y'))
      }));
      return { left: Number(x), top: Number(y), wide: Number(box?.getAttribute('width')), names };
    }

    it.each([
      [239, 60],
      [239, 208],
      [239, 238],
      [20, 2],
      [2, 1]
    ])('hides no name of a point, dropping from %i to %i volts', (before, after) => {
      const { left, top, wide, names } = callout(before, after);
      for (const n of names) {
        const over = n.x > left && n.x < left + wide && n.y > top && n.y - 9 < top + 42;
        expect(over, `${n.name} at ${n.x} ${n.y}, box at ${left} ${top}`).toBe(false);
      }
    });

    it('is as wide as what it says', () => {
      expect(callout(239, 208).wide).toBeGreaterThan(6 * '13 % of the supply · dropping'.length);
      expect(screen.getByText('drops 31.2 V')).toBeInTheDocument();
    });
  });

  it('stays calm while nothing is suspected', () => {
    const calm = new Map([part('switch', 'untested', ''), part('limit', 'passes', '')]);
    const { container } = render(StaircaseChart, {
      path,
      parts: calm,
      selected: 0,
      width: 600,
      onselect: vi.fn()
    });
    expect(container.querySelector('line.suspect')).toBeNull();
  });
});

describe('the staircase beside an upright chain', () => {
  it('draws the same marks turned: the chain down, potential to the right', () => {
    const props = { path, parts, selected: -1, onselect: vi.fn() };
    const wide = render(StaircaseChart, { ...props, width: 600 }).container;
    const upright = render(StaircaseChart, { ...props, width: 92, rows: 54 }).container;
    expect(upright.querySelector('svg')).toHaveAttribute('height', String(54 * path.risers.length));
    const places = (within: HTMLElement, axis: 'cx' | 'cy') =>
      [...within.querySelectorAll('circle.mark')].map((m) => Number(m.getAttribute(axis)));
    // 239.5 V at the first point: near the top, or near the right and in the first row
    expect(places(wide, 'cy')[0]).toBeLessThan(60);
    expect(places(upright, 'cx')[0]).toBeGreaterThan(80);
    expect(places(upright, 'cy')[0]).toBeLessThan(54);
    for (const drawing of [wide, upright]) {
      expect(drawing.querySelectorAll('path.expected, path.believed')).toHaveLength(2);
      expect(drawing.querySelectorAll('rect:not(.callout)').length).toBeGreaterThanOrEqual(
        path.treads.length
      );
    }
    expect(upright.querySelectorAll('text')).toHaveLength(0);
  });
});

describe('a scale', () => {
  it.each([false, true])('holds a box of volts and places in order, upright %s', (upright) => {
    const s = scale(path, { width: 300, height: 200, margin: 40 }, upright);
    const box = s.box(s.along(0), s.along(1), 10, 100, 3);
    const corners = [s.at(s.along(0), 10), s.at(s.along(1), 100)];
    for (const { x, y } of corners) {
      expect(x).toBeGreaterThanOrEqual(box.x);
      expect(x).toBeLessThanOrEqual(box.x + box.width);
      expect(y).toBeGreaterThanOrEqual(box.y);
      expect(y).toBeLessThanOrEqual(box.y + box.height);
    }
  });
});

describe('a link ring', () => {
  it('has a shape of its own for every verdict that calls for a different act', () => {
    const verdicts: Verdict[] = [
      'sound',
      'passes',
      'open',
      'dropping',
      'stuck',
      'off-value',
      'tripped',
      'untested',
      'unclear'
    ];
    const shapes = verdicts.map((verdict) => {
      const { container, unmount } = render(LinkRing, { verdict });
      const shape = [...(container.querySelector('svg')?.children ?? [])].map((e) => e.outerHTML).join('');
      unmount();
      return shape;
    });
    expect(new Set(shapes).size).toBe(verdicts.length);
  });
});
