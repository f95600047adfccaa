/** Three figures or so, as a meter would show them; never a bare number. */
export function volts(value: number): string {
  return withPrefix(value, 'V');
}

export function ohms(value: number): string {
  if (value > 4e7) return 'OL';
  if (Math.abs(value) >= 1e6) return `${figures(value / 1e6)} MΩ`;
  if (Math.abs(value) >= 1e3) return `${figures(value / 1e3)} kΩ`;
  return withPrefix(value, 'Ω');
}

export function watts(value: number): string {
  return withPrefix(value, 'W');
}

export function amperes(value: number): string {
  return withPrefix(value, 'A');
}

/** To three figures. */
export function figure(value: number): string {
  return String(Number(value.toPrecision(3)));
}

/** A probability: never a round 0 or 100 that it is not. */
export function percent(share: number): string {
  if (share > 0.999) return '> 99.9 %';
  if (share < 0.001) return '< 0.1 %';
  const value = 100 * share;
  return `${value >= 99 || value < 1 ? value.toFixed(1) : value.toFixed(0)} %`;
}

/** From one voltage to another: 228 to 252 V. */
export function voltsBetween(low: number, high: number): string {
  return low >= 10
    ? `${low.toFixed(0)} to ${volts(Math.round(high)).replace('.0', '')}`
    : `${volts(low)} to ${volts(high)}`;
}

/** Minutes as one says them. */
export function duration(minutes: number): string {
  return `${Number(minutes.toFixed(minutes < 10 ? 1 : 0))} min`;
}

/** `not-made` is "not made". */
export function words(kebab: string): string {
  return kebab.replaceAll('-', ' ');
}

const FAMILIES: Record<string, string> = {
  'dryer-electric': 'Electric dryers',
  'dryer-gas': 'Gas dryers',
  range: 'Ranges',
  'water-heater-storage': 'Storage water heaters',
  'water-heater-instant': 'Instantaneous water heaters',
  autoclave: 'Autoclaves',
  'heat-kit': 'Electric heat kits',
  'furnace-24v': 'Gas furnaces',
  'millivolt-heater': 'Millivolt heaters',
  dishwasher: 'Dishwashers',
  microwave: 'Microwave ovens',
  other: 'Others'
};

export function familyWords(family: string): string {
  return FAMILIES[family] ?? words(family);
}

/** A figure and its unit stay on one line. */
export function unbroken(title: string): string {
  return title.replace(/(\d) (V|Hz|W|A)\b/g, '$1\u00a0$2');
}

export function ago(iso: string, now = new Date()): string {
  const minutes = Math.max(0, Math.round((now.getTime() - new Date(iso).getTime()) / 60_000));
  if (minutes < 60) return `${minutes} min ago`;
  if (minutes < 48 * 60) return `${Math.round(minutes / 60)} h ago`;
  return `${Math.round(minutes / 1440)} days ago`;
}

/** Seconds as a stopwatch shows them: 2:05. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  const [m, s] = [Math.floor(whole / 60), whole % 60];
  return `${m}:${String(s).padStart(2, '0')}`;
}

/** A day as people write it: 3 Feb 2026. */
export function day(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

function withPrefix(value: number, unit: string): string {
  const size = Math.abs(value);
  return size >= 0.00005 && size < 0.0995 ? `${figures(value * 1000)} m${unit}` : `${figures(value)} ${unit}`;
}

function figures(value: number): string {
  const size = Math.abs(value);
  if (size < 0.05) return '0';
  return size >= 1000 ? value.toFixed(0) : size >= 10 ? value.toFixed(1) : value.toFixed(2);
}

export const nowIso = () => new Date().toISOString();

/** Day and minute, here. */
export function moment(iso: string): string {
  const at = new Date(iso);
  const clockTime = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return `${day(iso)} ${clockTime}`;
}
