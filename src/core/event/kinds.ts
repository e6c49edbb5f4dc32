import { angleTurned } from './kinds/angle-turned.ts';
import { benchTakenOver } from './kinds/bench-taken-over.ts';
import { cautionsConfirmed } from './kinds/cautions-confirmed.ts';
import { fastenerChecked } from './kinds/fastener-checked.ts';
import { fastenerInspected } from './kinds/fastener-inspected.ts';
import { fastenerLoosened } from './kinds/fastener-loosened.ts';
import { fastenerReplaced } from './kinds/fastener-replaced.ts';
import { fingerTightened } from './kinds/finger-tightened.ts';
import { gapAccepted } from './kinds/gap-accepted.ts';
import { jobReopened } from './kinds/job-reopened.ts';
import { jobSigned } from './kinds/job-signed.ts';
import { leftOpen } from './kinds/left-open.ts';
import { noteMade } from './kinds/note-made.ts';
import { partScrapped } from './kinds/part-scrapped.ts';
import { pullMade } from './kinds/pull-made.ts';
import { pullVoided } from './kinds/pull-voided.ts';
import { recallNoted } from './kinds/recall-noted.ts';
import { requirementMoved } from './kinds/requirement-moved.ts';
import { rulesMoved } from './kinds/rules-moved.ts';
import { runOnMeasured } from './kinds/run-on-measured.ts';
import { stepDone } from './kinds/step-done.ts';
import { takeOverConfirmed } from './kinds/take-over-confirmed.ts';
import { toolChosen } from './kinds/tool-chosen.ts';
import { toolSet } from './kinds/tool-set.ts';
import { toolsWoundDown } from './kinds/tools-wound-down.ts';
import { troubleMet } from './kinds/trouble-met.ts';
import { valueRecallNoted } from './kinds/value-recall-noted.ts';
import { waitBegun } from './kinds/wait-begun.ts';
import { witnessMarked } from './kinds/witness-marked.ts';

/** Every kind of event that can happen to a planned job. A new one is its own file and a line here. */
export const EVENT_KINDS = {
  'tool-chosen': toolChosen,
  'cautions-confirmed': cautionsConfirmed,
  'tool-set': toolSet,
  'pull-made': pullMade,
  'pull-voided': pullVoided,
  'fastener-loosened': fastenerLoosened,
  'witness-marked': witnessMarked,
  'left-open': leftOpen,
  'requirement-moved': requirementMoved,
  'run-on-measured': runOnMeasured,
  'job-signed': jobSigned,
  'job-reopened': jobReopened,
  'rules-moved': rulesMoved,
  'fastener-checked': fastenerChecked,
  'recall-noted': recallNoted,
  'step-done': stepDone,
  'finger-tightened': fingerTightened,
  'gap-accepted': gapAccepted,
  'value-recall-noted': valueRecallNoted,
  'trouble-met': troubleMet,
  'fastener-inspected': fastenerInspected,
  'fastener-replaced': fastenerReplaced,
  'part-scrapped': partScrapped,
  'wait-begun': waitBegun,
  'note-made': noteMade,
  'tools-wound-down': toolsWoundDown,
  'angle-turned': angleTurned,
  'bench-taken-over': benchTakenOver,
  'take-over-confirmed': takeOverConfirmed,
} as const;
