import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { call } from '#client/api.ts';
import { TORQUE_UNIT_CODES, unitSymbol } from '#core/quantity/unit.ts';
import { OPERATIONS } from '#wire/api.ts';
import { PIN_DIGITS, PIN_DIGITS_MAX, type Site } from '#wire/site.ts';
import { knownTimeZones } from '#wire/site-time.ts';
import { SCHOOL_QUESTIONS } from '#wire/words/schools.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { SchoolQuestionField } from './SchoolQuestionField.tsx';
import { type SiteDraft, schoolsOfDraft, siteDraft, siteDraftSchema } from './site-draft.ts';

const PIN_LENGTHS = Array.from({ length: PIN_DIGITS_MAX - PIN_DIGITS + 1 }, (_, at) => PIN_DIGITS + at);

/** The site's name, its unit, its clock, and its answer to every question on which practitioners disagree, each with what it changes. */
export const SiteForm = ({ first }: { readonly first: Site }) => {
  const [kept, setKept] = useState(first);
  const form = useKitForm(siteDraftSchema, { defaults: siteDraft(first), draft: null });
  const draft = { ...siteDraft(kept), ...(useWatch({ control: form.control }) as Partial<SiteDraft>) };
  const isSchoolChanged = JSON.stringify(draft.schools) !== JSON.stringify(siteDraft(kept).schools);
  const isChanged = JSON.stringify({ ...draft, why: '' }) !== JSON.stringify(siteDraft(kept));
  const isSaved = form.formState.isSubmitSuccessful && !isChanged;
  const schools = schoolsOfDraft(draft.schools);
  return (
    <Form
      form={form}
      className="grid gap-3"
      onSend={async (said) => {
        const answer = await call(OPERATIONS.changeSite, said);
        if (!answer.ok) return answer.problem;
        setKept(answer.value);
        form.setValue('why', '');
        return null;
      }}
    >
      <TextField name="name" label="Name of the site, as it stands in records" maxLength={120} />
      <div className="grid gap-3 sm:grid-cols-2">
        <ChoiceField
          name="unit"
          label="The site’s unit, shown beside the printed one"
          options={TORQUE_UNIT_CODES.map((value) => ({ value, words: unitSymbol(value) }))}
        />
        <TextField
          name="timeZone"
          label="Time zone of the site’s clock"
          hint="“Today” is the day there. Such as Asia/Jakarta, or UTC."
          list="zones"
          maxLength={64}
        />
        <datalist id="zones">
          {knownTimeZones().map((zone) => (
            <option key={zone} value={zone} />
          ))}
        </datalist>
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <ChoiceField
          name="pinDigits"
          label="A new PIN has at least"
          options={PIN_LENGTHS.map((digits) => ({ value: String(digits), words: `${digits} digits` }))}
        />
        <TextField
          name="idleMinutes"
          label="A device that nobody uses signs out after"
          unit="minutes"
          hint="5 to 840. What waits on it to be sent stays."
          maxLength={3}
        />
      </div>
      <div className="grid items-start gap-x-8 gap-y-3 sm:grid-cols-2 xl:grid-cols-3">
        {SCHOOL_QUESTIONS.map((question) => (
          <SchoolQuestionField key={question.id} question={question} schools={schools} />
        ))}
        <div className="border-t border-rule pt-3">
          <strong>No torque tool at hand</strong>
          <p className="text-s text-faint">
            No choice here: it is recorded as by feel, never gets an in-specification verdict, and stays open
            until it is checked.
          </p>
        </div>
      </div>
      {isSchoolChanged && (
        <TextField
          name="why"
          label="Why it changes"
          maxLength={300}
          placeholder="agreed at the workshop meeting"
        />
      )}
      <SubmitButton>{isSaved ? 'Saved; new jobs use it' : 'Save for new jobs'}</SubmitButton>
      <p className="text-s text-faint">
        A job keeps the schools it was planned with; every derivation and record names them.
      </p>
    </Form>
  );
};
