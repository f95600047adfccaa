import type { Answer, Staircase } from '../api/client';

/** A solved path as the staircase chart takes it: what is due in dashes, what is now as the line. */
export function solvedStaircase(steps: Answer['paths'][number], situation: string): Staircase {
  return {
    id: steps.path,
    title: steps.title,
    situation,
    reference: steps.reference,
    treads: steps.steps.map((s) => ({
      point: s.point,
      expected: s.sound,
      estimated: s.now,
      low: s.now,
      high: s.now
    })),
    risers: steps.steps.flatMap((s) =>
      s.part === undefined ? [] : [{ part: s.part, ifSound: 0, ifOpen: 0, ohmsIfSound: 0, amperesIfSound: 0 }]
    )
  };
}
