import { lazy } from 'react';
import type { NextAction } from '#core/view/next-action.ts';
import { toolOutWords } from '#wire/words/tool.ts';
import { Later } from '../../kit/Later.tsx';
import { loadRefusal } from './later.ts';

const RefusalWords = lazy(loadRefusal);

/** Why the tool in hand can't be used for the fastener in front, and what would cure it. */
export const NotThisTool = ({ taken, refusal }: Extract<NextAction, { kind: 'another-tool' }>) => (
  <div className="rounded-md border-2 border-low p-3">
    {refusal.code === 'tool-blocked' ? (
      <>
        <strong>Put {taken.tool.code} away:</strong> {toolOutWords(refusal.blocks)}.
      </>
    ) : (
      <>
        <strong>{taken.tool.code} can’t do this.</strong>
        <Later>
          <RefusalWords refusal={refusal} />
        </Later>
      </>
    )}
  </div>
);
