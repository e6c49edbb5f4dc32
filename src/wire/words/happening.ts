import type { UnplacedEvent } from '#core/event/event.ts';

const WORDS: Readonly<Record<UnplacedEvent['kind'], string>> = {
  'job-planned': 'the plan of a job',
  'tool-chosen': 'a tool taken',
  'cautions-confirmed': 'the cautions, confirmed',
  'tool-set': 'a setting',
  'pull-made': 'a pull',
  'pull-voided': 'a pull voided',
  'fastener-loosened': 'loosened',
  'witness-marked': 'a witness mark',
  'left-open': 'left open',
  'requirement-moved': 'a requirement moved',
  'run-on-measured': 'a run-on torque',
  'job-signed': 'a signature',
  'job-reopened': 'a job reopened',
  'rules-moved': 'rules moved',
  'fastener-checked': 'a check',
  'recall-noted': 'a recall decided',
  'step-done': 'a step',
  'finger-tightened': 'tightened by hand',
  'gap-accepted': 'a gap accepted',
  'value-recall-noted': 'a recall by value decided',
  'trouble-met': 'something that went wrong',
  'fastener-inspected': 'looked at after trouble',
  'fastener-replaced': 'replaced',
  'part-scrapped': 'a part scrapped',
  'wait-begun': 'a wait begun',
  'note-made': 'a note',
  'tools-wound-down': 'tools wound down',
  'angle-turned': 'turned on by an angle',
  'bench-taken-over': 'the bench taken over',
  'take-over-confirmed': 'who took the bench over, confirmed',
};

/** What happened, as a list of what waits names it: "a pull of P1". */
export const happeningWords = ({ kind, body }: Pick<UnplacedEvent, 'kind' | 'body'>): string => {
  const { position } = body as { readonly position?: unknown };
  return typeof position === 'string' ? `${WORDS[kind]}, ${position}` : WORDS[kind];
};
