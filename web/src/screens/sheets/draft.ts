/** Where a sheet brought in by file waits until it is saved. */
export const DRAFT_KEY = 'sheet draft';

/** Where a chain that is being typed waits for its sheet. */
export const SKETCH_KEY = 'sketch draft';

/** What a new sheet starts from: small, and valid as it stands. */
export const STARTER = `format: jolly-chain/sheet/1
key: my-sheet
title: Fan heater with a limit, 240 V
family: other
notes: What a technician should know first.

supply:
  system: split-phase
  volts: 240
  hertz: 60
  tolerance: 5 %
  source-ohms: 0.05
  terminals: {line1: L1, line2: L2, neutral: N, earth: PE}
  bonded: neutral

commands:
  switch-on: Main switch on

access:
  cover: {title: Front cover off, minutes: 4}

points:
  L1: {title: Terminal block left, access: cover}
  L2: {title: Terminal block right, access: cover}
  N: {title: Terminal block middle, access: cover}
  PE: {title: Case}
  A: {title: Switch out, access: cover}
  B: {title: Limit out, access: cover}

parts:
  main-switch: {kind: selector, between: [L1, A], made-when: switch-on}
  high-limit: {kind: limit, between: [A, B], marking: L200-40F, feels: outlet}
  element: {kind: heating-element, between: [B, L2], watts: 3000, at-volts: 240, tolerance: 10 %}
  fan: {kind: motor, between: [A, N], watts: 60, at-volts: 120, power-factor: 0.6, winding-ohms: 38}

situations:
  heat-call: {title: Switched on, supply: on, commands: [switch-on], celsius: {ambient: 20, outlet: 35}}
  isolated: {title: Unplugged, supply: off, commands: [switch-on]}

paths:
  heat: {title: Heat, load: element}

complaints:
  no-heat: {title: "Fan runs, no heat", situation: heat-call, runs: [fan], not-running: [element]}
`;
