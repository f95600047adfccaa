import type { Unit } from '../../lib/api/client';

const PARTS = /^([a-z]+)[^a-z0-9]*(\d+)$/i;

/** The one unit that a short tag is meant of: `l2` of LAU-2, where no other fits. */
export function shortFor(typed: string, units: Unit[]): Unit | undefined {
  const [, letters, number] = PARTS.exec(typed.trim()) ?? [];
  if (!letters || !number) return undefined;
  const fit = units.filter((u) => {
    const [, name, at] = PARTS.exec(u.tag) ?? [];
    return name?.toLowerCase().startsWith(letters.toLowerCase()) && Number(at) === Number(number);
  });
  return fit.length === 1 ? fit[0] : undefined;
}
