import type { JobHappening } from '#core/event/event.ts';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import type { Bench } from './use-bench.ts';

type Asked = 'replace' | 'inspected-not-good';

const ASKED: Readonly<
  Record<
    Asked,
    {
      readonly title: string;
      readonly explanation: string;
      readonly action: string;
      readonly usual: readonly string[];
      readonly happening: (position: string, said: string) => JobHappening;
    }
  >
> = {
  replace: {
    title: 'Replaced',
    explanation: 'What was done to the old one stays in the record. The new one is pulled from snug.',
    action: 'It is replaced',
    usual: ['used once only', 'past its limit', 'thread gone', 'head or drive gone'],
    happening: (position, why) => ({ kind: 'fastener-replaced', body: { position, why } }),
  },
  'inspected-not-good': {
    title: 'Not good',
    explanation: 'It has to be replaced before anything is pulled here again.',
    action: 'Record it as not good',
    usual: ['thread damaged', 'stretched', 'seat crushed', 'strands cut'],
    happening: (position, note) => ({ kind: 'fastener-inspected', body: { position, isGood: false, note } }),
  },
};

type Props = { readonly bench: Bench; readonly question: Asked; readonly onClose: () => void };

/** Why the fastener in front is replaced, or is not good to be pulled again. */
export const RemedyQuestion = ({ bench, question, onClose }: Props) => {
  const { position } = bench;
  const { title, explanation, action, usual, happening } = ASKED[question];
  return (
    <WhyDialog
      title={`${title}: ${position}`}
      explanation={explanation}
      action={action}
      usual={usual}
      onClose={onClose}
      onDone={(said) => {
        if (position !== null) bench.happen(happening(position, said));
        onClose();
      }}
    />
  );
};
