import type { JointKind } from '../joint-kind.ts';
import { withProvedDead } from '../proved-dead.ts';
import { CONTROL_CABINET_1 } from './control-cabinet-1.ts';

/** Terminals of a control cabinet: nothing acts on its neighbour, so the eye's order wins. Common practice; local codes override it. */
export const CONTROL_CABINET: JointKind = {
  ...CONTROL_CABINET_1,
  revision: 3,
  steps: withProvedDead(CONTROL_CABINET_1.steps),
  passesSource: '',
  identify: [
    {
      what: 'metal and size of the conductor',
      ways: [
        'The marking printed along its insulation',
        'Its colour at a fresh cut: copper is red, aluminium white, tinned copper red beneath',
        'Measured over the strands, and counted: 4/0 is not 4',
      ],
      otherwise: 'Take the terminal’s own label for that size; without one, leave it open and ask.',
      source: '',
    },
    {
      what: 'how many conductors a terminal is listed for',
      ways: ['The terminal’s label or data sheet: one, unless it says more'],
      otherwise: 'One.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'It gives at once, or much too early',
      remedy:
        'A strand or the insulation is under the clamp, or the thread is crossed. Loosen, look, strip again to the stop, pull again.',
      source: '',
    },
    {
      sign: 'It turns on and never gives',
      remedy:
        'The thread is stripped or the clamp broken. Replace the terminal; never tighten the next size of screw in.',
      source: '',
    },
    {
      sign: 'Pulled past the limit',
      remedy: 'Loosen, look at the conductor for cut strands, strip afresh where it is nicked, pull again.',
      source: '',
    },
    {
      sign: 'Warm or discoloured in use',
      remedy:
        'Never more torque: dead, apart, cut back to bright metal, and the load held against the rating.',
      source: '',
    },
  ],
};
