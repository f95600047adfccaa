import type { components } from '../../lib/api/schema';

export type Minutes = components['schemas']['Minutes'];

export const MINUTES: [key: keyof Minutes, words: string][] = [
  ['probe', 'Put two probes and read'],
  ['clamp', 'Clamp a wire and read'],
  ['question', 'Look and listen what runs'],
  ['look', 'Look at a part closely'],
  ['isolate', 'Isolate, lock off, prove dead'],
  ['energise', 'Hands out, power on'],
  ['change', 'Put it into another state'],
  ['warm', 'Wait until it is hot'],
  ['lift', 'Take a wire off and put it on again']
];
