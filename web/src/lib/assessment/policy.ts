/** Methods and orders as they are put to a technician. */
export const METHODS: [value: string, words: string][] = [
  ['mixed', 'Mixed: whatever is worth its minutes'],
  ['live-drops', 'Live drops: volts across each part'],
  ['live-to-reference', 'Live to reference: one probe parked'],
  ['isolated-ohms', 'Isolated ohms']
];

export const ORDERS: [value: string, words: string][] = [
  ['best-value', 'What tells most for its minutes'],
  ['most-frequent-first', 'The most frequent culprit first'],
  ['along-the-wire', 'Along the wire']
];
