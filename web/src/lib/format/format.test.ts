import { describe, expect, it } from 'vitest';
import { ago, ohms, percent, volts } from './format';

describe('figures', () => {
  it('always carry their unit and no more digits than a meter', () => {
    expect(volts(237.84)).toBe('237.8 V');
    expect(volts(0.0153)).toBe('15.3 mV');
    expect(volts(-1e-9)).toBe('0 V');
    expect(ohms(0.117)).toBe('0.12 Ω');
    expect(ohms(11_800)).toBe('11.8 kΩ');
    expect(ohms(1e9)).toBe('OL');
  });

  it('never call an uncertain thing certain', () => {
    expect(percent(0.99995)).toBe('> 99.9 %');
    expect(percent(0.993)).toBe('99.3 %');
    expect(percent(0.34)).toBe('34 %');
    expect(percent(0)).toBe('< 0.1 %');
  });

  it('tell time as one would say it', () => {
    const now = new Date('2026-01-10T12:00:00Z');
    expect(ago('2026-01-10T11:46:00Z', now)).toBe('14 min ago');
    expect(ago('2026-01-05T12:00:00Z', now)).toBe('5 days ago');
  });
});
