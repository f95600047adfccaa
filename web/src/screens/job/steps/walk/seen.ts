import type { Proposal, Sheet } from '../../../../lib/api/client';

export const RUNS: [value: string, words: string][] = [
  ['yes', 'Runs'],
  ['weakly', 'Weakly'],
  ['no', 'Does not run']
];

export const FINDINGS: [value: string, words: string][] = [
  ['looks-sound', 'Looks sound'],
  ['burnt', 'Burnt'],
  ['broken', 'Broken'],
  ['jammed', 'Jammed'],
  ['no-click', 'No click'],
  ['reset-out', 'Reset button out'],
  ['reset-pressed', 'Reset pressed in'],
  ['cooled', 'Left to cool 15 min'],
  ['power-cycled', 'Power off and on again'],
  ['jumps-when-moved', 'Reading jumps when moved']
];

/** What can be answered to something that is looked at or listened for. */
export function answersTo(kind: Proposal['kind'], sheet: Sheet): [value: string, words: string][] {
  switch (kind) {
    case 'runs':
      return RUNS;
    case 'look':
      return FINDINGS;
    default:
      return [
        ['none', 'No code'],
        ...Object.values(sheet.codes).map((c): [string, string] => [c.id, `${c.id} ${c.title}`])
      ];
  }
}
