/** Where a guide brought in by file waits until it is saved. */
export const DRAFT_KEY = 'guide draft';

/** What a new guide starts from: small, and valid as it stands. */
export const STARTER = `format: jolly-chain/guide/1
key: my-guide
title: Towel rails
family: other
hazards: {lock: Lock off and prove dead.}
simple:
  switch: {title: Switched on at the wall, minutes: 0.2}
causes:
  covered: {title: Covered with towels, weight: 4, opens: [thermal-fuse, limit], put-right: [tell]}
  aged: {title: The link aged, weight: 2, opens: [thermal-fuse], put-right: [renew]}
checks:
  ask:
    title: "Ask: what hangs on it?"
    minutes: 0.5
    outcomes: {little: A towel or two, much: Covered all over}
    given:
      covered: {little: 0.1, much: 0.9}
      otherwise: {little: 0.9, much: 0.1}
    shows: {much: covered}
actions:
  tell: {title: Shown how it is used, minutes: 2}
  renew: {title: Renewed like for like, minutes: 20}
proofs:
  warm: {title: Warm, within: 10}
`;
