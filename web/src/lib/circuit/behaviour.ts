import type { Part } from '../api/client';

/** What a part does in the circuit, told by what its behaviour holds. */
export const contactOf = (part?: Part) => (part && 'madeWhen' in part.behaviour ? part.behaviour : undefined);
export const loadOf = (part?: Part) => (part && 'rating' in part.behaviour ? part.behaviour : undefined);
export const sourceOf = (part?: Part) => (part && 'winding' in part.behaviour ? part.behaviour : undefined);
export const sensorOf = (part?: Part) =>
  part && 'tolerance' in part.behaviour && 'feels' in part.behaviour ? part.behaviour : undefined;

/** The temperature place it feels, where heat tells on it. */
export function feelsHeat(part?: Part): string | undefined {
  const contact = contactOf(part);
  const sensor = sensorOf(part);
  return contact?.thermal ? contact.feels : sensor?.curve ? sensor.feels : undefined;
}
