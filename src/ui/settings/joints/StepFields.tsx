import ArrowUp from 'lucide-react/icons/arrow-up';
import X from 'lucide-react/icons/x';
import { SCOPES, STAGES } from '#core/joint/joint-step.ts';
import { STAGE_WORDS } from '#wire/words/joint.ts';
import { LoneChoice } from '../../kit/form/LoneChoice.tsx';
import { LoneField } from '../../kit/form/LoneField.tsx';
import { Tick } from '../../kit/Tick.tsx';
import { ACTS, type Act, type StepDraft } from './kind-draft.ts';

const ACT_WORDS: Readonly<Record<Act, string>> = {
  confirm: 'confirm',
  inspect: 'look at, good or not',
  measure: 'measure',
  wait: 'wait',
  photograph: 'photograph',
};
const SCOPE_WORDS: Readonly<Record<(typeof SCOPES)[number], string>> = {
  job: 'for the job',
  part: 'for each part',
  group: 'for the group',
  fastener: 'for each fastener',
};

type Props = {
  readonly step: StepDraft;
  readonly place: number;
  readonly onChange: (part: Partial<StepDraft>) => void;
  readonly onUp: (() => void) | null;
  readonly onDrop: () => void;
};

const Limits = ({ step, onChange }: Pick<Props, 'step' | 'onChange'>) => {
  if (step.act === 'wait')
    return (
      <LoneField
        label="Minutes"
        text={step.minutes}
        onText={(minutes) => onChange({ minutes })}
        inputMode="decimal"
        maxLength={8}
      />
    );
  if (step.act !== 'measure') return null;
  return (
    <>
      <LoneField label="Unit" text={step.unit} onText={(unit) => onChange({ unit })} maxLength={12} />
      <LoneField
        label="At least"
        text={step.low}
        onText={(low) => onChange({ low })}
        inputMode="decimal"
        maxLength={12}
      />
      <LoneField
        label="At the most"
        text={step.high}
        onText={(high) => onChange({ high })}
        inputMode="decimal"
        maxLength={12}
      />
    </>
  );
};

/** One caution or step of a kind of joint, as it is written. */
export const StepFields = ({ step, place, onChange, onUp, onDrop }: Props) => (
  <li className="grid gap-2 border-t border-rule pt-3 sm:grid-cols-4" data-step={step.id}>
    <div className="flex flex-wrap items-center justify-between gap-2 sm:col-span-4">
      <strong>
        {place + 1}. {STAGE_WORDS[step.stage]}
      </strong>
      <span className="flex gap-2">
        {onUp && (
          <button type="button" className="act-quiet" onClick={onUp}>
            <ArrowUp size={18} aria-hidden="true" /> Earlier
          </button>
        )}
        <button type="button" className="act-quiet" onClick={onDrop}>
          <X size={18} aria-hidden="true" /> Leave out
        </button>
      </span>
    </div>
    <div className="sm:col-span-2">
      <LoneField label="What" text={step.title} onText={(title) => onChange({ title })} maxLength={80} />
    </div>
    <div className="sm:col-span-2">
      <LoneField label="How" text={step.detail} onText={(detail) => onChange({ detail })} maxLength={300} />
    </div>
    <LoneChoice
      label="When"
      value={step.stage}
      options={STAGES.map((each) => [each, STAGE_WORDS[each]] as const)}
      onChoose={(stage) => onChange({ stage })}
    />
    <LoneChoice
      label="Once"
      value={step.scope}
      options={SCOPES.map((each) => [each, SCOPE_WORDS[each]] as const)}
      onChoose={(scope) => onChange({ scope })}
    />
    <LoneChoice
      label="Do"
      value={step.act}
      options={ACTS.map((each) => [each, ACT_WORDS[each]] as const)}
      onChoose={(act) => onChange({ act })}
    />
    <LoneField
      label="Source (empty: common practice)"
      text={step.source}
      onText={(source) => onChange({ source })}
      maxLength={160}
    />
    <Limits step={step} onChange={onChange} />
    <Tick
      isOn={step.isBlocking}
      onChange={(isBlocking) => onChange({ isBlocking })}
      className="sm:col-span-4"
    >
      what follows waits for it
    </Tick>
  </li>
);
