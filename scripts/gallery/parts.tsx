import type { ReactNode } from 'react';
import type { FastenerStatus } from '#core/view/bench.ts';
import { NumberPad } from '#ui/kit/NumberPad.tsx';
import { ProblemNotice } from '#ui/kit/ProblemNotice.tsx';
import { StatusIcon } from '#ui/shared/StatusIcon.tsx';
import { Tape } from '#ui/shared/Tape.tsx';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { FilledForm, SentForm, WhyOpen } from './parts/forms.tsx';
import { LongList, ShortList } from './parts/lists.tsx';

const nothing = (): void => {};

/** Every part of the kit, in each of its states. */
export const PARTS: Readonly<Record<string, Readonly<Record<string, ReactNode>>>> = {
  form: {
    'nothing typed': <FilledForm values={{}} />,
    'filled in': (
      <FilledForm values={{ name: 'Coolant manual', kind: 'letter', day: '2026-11-26', reading: '21.5' }} />
    ),
    'sent with errors': <SentForm />,
  },
  list: {
    'a few rows': <ShortList />,
    'nothing in it': <ShortList count={0} />,
    'rows that open': <ShortList isOpening />,
  },
  'long-list': { '10,000 rows': <LongList /> },
  dialog: { 'asks for a reason': <WhyOpen /> },
  'number-pad': { plain: <NumberPad unit="lbf·in" onDigit={nothing} onErase={nothing} /> },
  problem: { shown: <ProblemNotice problem={problemDetails({ code: 'no-connection' })} /> },
  stripes: {
    all: (
      <ul className="flex flex-wrap gap-4">
        {(Object.keys(STATUS_WORDS) as FastenerStatus[]).map((status) => (
          <li key={status} className="grid justify-items-center text-s">
            <StatusIcon status={status} drive="slot" size={48} /> {STATUS_WORDS[status]}
          </li>
        ))}
      </ul>
    ),
  },
  tape: {
    inside: <Tape value={22} low={20} high={24} unit="lbf·in" graduation={0.5} caption="22.0" tone="in" />,
    below: <Tape value={18} low={20} high={24} unit="lbf·in" graduation={0.5} caption="18.0" tone="low" />,
    above: <Tape value={26} low={20} high={24} unit="lbf·in" graduation={0.5} caption="26.0" tone="high" />,
  },
};
