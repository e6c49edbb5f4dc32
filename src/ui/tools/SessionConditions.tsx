import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { newSessionSchema, SESSION_KINDS } from '#wire/calibration.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { DayField } from '../kit/form/DayField.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { TickField } from '../kit/form/TickField.tsx';
import { writtenNumber } from '../kit/form/written.ts';

const KIND_WORDS: Record<(typeof SESSION_KINDS)[number], string> = {
  'in-house': 'here, on the bench tester',
  'outside-lab': 'by an outside lab, from its certificate',
  'cross-check': 'quick check against another tool',
};

const { kind, doneOn, reference, referenceExpandedPercent, certificate, keepNarrowed, nextDueOn } =
  newSessionSchema.shape;

/** How a session is done, as the form holds it; the readings stand beside it. */
export const conditionsSchema = z.object({
  kind,
  doneOn,
  reference,
  referenceExpandedPercent: writtenNumber(referenceExpandedPercent),
  certificate,
  keepNarrowed,
  nextDueOn,
  preloadsDone: z.literal(true, 'The pre-loads come before the readings.'),
});
export type Conditions = z.output<typeof conditionsSchema>;
/** The same before anything is checked. */
export type ConditionsDraft = Omit<z.input<typeof conditionsSchema>, 'preloadsDone'> & {
  preloadsDone: boolean;
};

type Props = {
  readonly mayCalibrate: boolean;
  readonly today: string;
  readonly otherTools: readonly string[];
  /** What the pre-loads are, in words. */
  readonly preloads: string;
};

/** How a session is done: against what, when, and that the tool was pre-loaded. */
export const SessionConditions = ({ mayCalibrate, today, otherTools, preloads }: Props) => {
  const chosen = useWatch({ name: 'kind' });
  return (
    <section className="panel grid gap-3 p-4 sm:grid-cols-3">
      {mayCalibrate && (
        <ChoiceField
          name="kind"
          label="How it is done"
          options={SESSION_KINDS.map((value) => ({ value, words: KIND_WORDS[value] }))}
        />
      )}
      <TextField
        name="reference"
        label="What is taken as true"
        maxLength={120}
        list="references"
        placeholder="bench tester BT-1"
      />
      <datalist id="references">
        <option value="bench tester BT-1" />
        {otherTools.map((code) => (
          <option key={code} value={code} />
        ))}
      </datalist>
      <TextField
        name="referenceExpandedPercent"
        label="Its expanded uncertainty (k = 2)"
        unit="%"
        look="font-mono"
      />
      {chosen === 'outside-lab' && (
        <TextField name="certificate" label="Number of the certificate" maxLength={80} />
      )}
      <DayField name="doneOn" label="Done on" most={today} />
      {mayCalibrate && chosen !== 'cross-check' && <DayField name="nextDueOn" label="Due again on" />}
      <TickField name="preloadsDone" label="Pre-loads" className="self-end">
        {preloads}
      </TickField>
    </section>
  );
};
