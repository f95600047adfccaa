import type { Role } from '../../lib/api/client';

/** What each role may; all that those above it may, too. */
export const ROLES: [role: Role, words: string][] = [
  ['viewer', 'reads everything, changes nothing'],
  ['apprentice', 'works on own jobs, isolated; live once a lead permits it on the job'],
  ['technician', 'works on own jobs'],
  ['lead', 'sheets, guides, policy, meters, people, and everybody’s jobs']
];
