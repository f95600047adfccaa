import { render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import * as fixtures from '../../lib/api/fixtures';
import { contactOf, feelsHeat, loadOf, sensorOf, sourceOf } from '../../lib/circuit/behaviour';
import SheetTables from './SheetTables.svelte';

const limit = fixtures.part('limit', 'limit', 'L', 'A', {
  title: 'high limit',
  behaviour: {
    madeWhen: '',
    feels: 'outlet',
    thermal: { acts: 'opens', actsAtCelsius: 121, returnsAtCelsius: 105, reset: 'auto' }
  }
});
const fuse = fixtures.part('fuse', 'thermal-fuse', 'L', 'A', {
  behaviour: {
    madeWhen: 'heat-on',
    feels: 'outlet',
    thermal: { acts: 'opens', actsAtCelsius: 91, reset: 'none' }
  }
});
const run = fixtures.part('run', 'wire', 'L', 'A', {
  behaviour: { madeWhen: '', feels: 'ambient', ohms: 0.05 }
});
const motor = fixtures.part('motor', 'motor', 'A', 'N', {
  behaviour: {
    rating: { ohms: 26, powerFactor: 0.6, windingOhms: 2.4, runsAbove: 0.7 },
    tolerance: 0.1
  }
});
const sensor = fixtures.part('sensor', 'thermistor', 'A', 'N', {
  behaviour: { feels: 'oven', tolerance: 0.05, curve: { ohmsAtZero: 1000 } }
});
const probe = fixtures.part('probe', 'level-probe', 'A', 'N', {
  behaviour: { feels: 'water', tolerance: 0.05 }
});
const secondary = fixtures.part('secondary', 'transformer-secondary', 'A', 'N', {
  behaviour: { winding: { primary: 'primary', volts: 24, ratio: 0.2, ohms: 1.2, windingOhms: 1.1 } }
});

const cells = (title: string) =>
  [...(screen.getByRole('rowheader', { name: title }).closest('tr')?.cells ?? [])]
    .map((cell) => cell.textContent?.trim())
    .filter((text) => text);

describe('what a part does', () => {
  it('is told by what its behaviour holds', () => {
    expect([limit, motor, sensor, secondary].map((p) => contactOf(p) !== undefined)).toEqual([
      true,
      false,
      false,
      false
    ]);
    expect(loadOf(motor)?.rating.ohms).toBe(26);
    expect(sensorOf(sensor)?.tolerance).toBe(0.05);
    expect(sensorOf(limit)).toBeUndefined();
    expect(sourceOf(secondary)?.winding.volts).toBe(24);
    expect(loadOf(undefined)).toBeUndefined();
  });

  it('feels heat where it acts by it or tells it', () => {
    expect([limit, run, sensor, probe, motor].map(feelsHeat)).toEqual([
      'outlet',
      undefined,
      'oven',
      undefined,
      undefined
    ]);
  });
});

describe('the tables of a sheet', () => {
  it('give each part its rating in words', () => {
    const parts = Object.fromEntries(
      [limit, fuse, run, motor, sensor, probe, secondary].map((p) => [p.id, p])
    );
    render(SheetTables, { sheet: fixtures.sheet({ parts }) });
    expect(cells('high limit').slice(3)).toEqual(['always', 'opens at 121 °C, back at 105 °C', 'outlet']);
    expect(cells('fuse').slice(3)).toEqual(['heat-on', 'opens at 91 °C, never returns', 'outlet']);
    expect(cells('run').slice(3)).toEqual(['always', '50.0 mΩ']);
    expect(cells('motor').slice(3)).toEqual(['26.0 Ω, pf 0.6, cold 2.40 Ω']);
    expect(cells('sensor').slice(3)).toEqual(['±5 % of its curve', 'oven']);
    expect(cells('secondary').slice(3)).toEqual(['24 V from primary']);
    expect(cells('probe').slice(3)).toEqual([]);
  });
});
