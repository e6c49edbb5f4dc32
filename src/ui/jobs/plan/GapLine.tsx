import { useState } from 'react';
import { may } from '#core/people/may.ts';
import type { ToolGap } from '#core/view/tools-for-group.ts';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import type { PickerProps } from './ToolPicker.tsx';
import { gapWords } from './tool-choice-words.ts';

type Props = Pick<PickerProps, 'job' | 'person'> & { readonly gap: ToolGap };

/** What no tool at hand can do surely enough, what would cure it, and a lead's word that it is done all the same. */
export const GapLine = ({ gap, job, person }: Props) => {
  const [isAsked, setAsked] = useState(false);
  const { group, best, accepted } = gap;
  if (accepted)
    return (
      <p>
        {gapWords(gap)}{' '}
        <strong>
          {accepted.person.name} accepted it for this job: {accepted.why}
        </strong>
      </p>
    );
  return (
    <div className="grid justify-items-start gap-2">
      <p>{gapWords(gap)}</p>
      {best && may(person, 'accept-gap') && (
        <button type="button" className="act-quiet" onClick={() => setAsked(true)}>
          Accept it for {group.title} …
        </button>
      )}
      {isAsked && (
        <WhyDialog
          title={`Go on with ${group.title} all the same`}
          explanation="From now on its pulls are judged by their limits alone, however sure they are. The reason stays in the record."
          action="Accept it once"
          usual={['no better tool can be had', 'the maker agreed']}
          onClose={() => setAsked(false)}
          onDone={(why) => {
            setAsked(false);
            job.happen({ kind: 'gap-accepted', body: { group: group.id, why } });
          }}
        />
      )}
    </div>
  );
};
