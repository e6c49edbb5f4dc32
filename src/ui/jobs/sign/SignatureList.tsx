import type { JobView } from '#core/view/job-view.ts';
import type { Signature } from '#core/view/signatures.ts';
import { timeHere } from '../../kit/time/here.ts';

const headWords = ({ head }: Signature): string => (head ? ` · for events 1 to ${head.sequence}` : '');

/** Who signed, for what, and which earlier signatures no longer stand. */
export const SignatureList = ({ state }: { readonly state: JobView }) => (
  <>
    {state.signatures.map((signature) => (
      <p key={signature.eventId} className="border-b border-rule py-2">
        <strong>{signature.meaning}</strong> · {signature.person.name}, {signature.person.role} ·{' '}
        {timeHere(signature.deviceTime)}
        <span className="text-faint">{headWords(signature)}</span>
        {signature.madeNoPull && <span className="block text-low">Made no pull on this job.</span>}
      </p>
    ))}
    {state.struck.map((signature) => (
      <p key={signature.eventId} className="border-b border-rule py-2 text-faint">
        <s>
          {signature.meaning} · {signature.person.name} · {timeHere(signature.deviceTime)}
        </s>{' '}
        no longer stands:{' '}
        {signature.because === 'reopened'
          ? `opened again (${signature.why})`
          : `a pull arrived later (${signature.why})`}
      </p>
    ))}
  </>
);
