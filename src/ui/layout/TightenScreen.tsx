import { useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { deviceNow, newId } from '#client/happen.ts';
import { siteKindOf, siteKinds, takeOwnKinds } from '#client/site-kinds.ts';
import { ONLY_GROUP } from '#core/job/only-group.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { kindNamed } from '#core/joint/kind-named.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { SentJob } from '#wire/new-job.ts';
import { newJobSchema } from '#wire/new-job.ts';
import type { Site } from '#wire/site.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { KindFacts } from './KindFacts.tsx';
import { NewJobWays } from './NewJobWays.tsx';
import { TightenedValue } from './TightenedValue.tsx';
import { forgetTightened, type Tightened, toTighten } from './tighten-this.ts';

const tightenSchema = z.object({
  printed: z.string().trim().min(1).max(200),
  jointKind: z.string().min(1),
  title: newJobSchema.shape.title,
  sourceTitle: newJobSchema.shape.source.shape.title,
  position: z.string().trim().min(1).max(40),
});
type TightenFacts = z.output<typeof tightenSchema>;

const NOTHING: z.input<typeof tightenSchema> = {
  printed: '',
  jointKind: '',
  title: '',
  sourceTitle: '',
  position: '1',
};

const TITLE_MAX = 120;

/** What the form begins with, of a value that came from somewhere. */
const factsOf = ({ printed, taken, about }: Tightened): z.input<typeof tightenSchema> => ({
  printed,
  jointKind: kindNamed(`${about} ${taken?.book.code ?? ''} ${taken?.book.source.place ?? ''}`) ?? '',
  title: about.slice(0, TITLE_MAX),
  sourceTitle: taken?.book.source.title ?? '',
  position: '1',
});

const jobOf = (
  facts: TightenFacts,
  value: Tightened | null,
  details: Readonly<Record<string, string>>,
  ids: Pick<SentJob, 'jobId' | 'eventId'>,
): SentJob => {
  // A value that was changed by hand is no longer the book's.
  const taken = value?.taken && value.printed === facts.printed ? value.taken : null;
  const kind = siteKindOf(facts.jointKind);
  return {
    ...ids,
    deviceTime: deviceNow(),
    title: facts.title,
    source: {
      title: facts.sourceTitle,
      revision: taken?.book.source.revision ?? '',
      place: taken?.book.source.place ?? '',
    },
    asset: null,
    groups: [
      {
        id: ONLY_GROUP,
        title: facts.title.slice(0, 80),
        jointKind: facts.jointKind,
        seenFrom: kind?.words.seenFrom ?? 'from the front',
        irreplaceable: [],
      },
    ],
    lines: [
      {
        line: 1,
        cells: { ...details, position: facts.position, label: facts.title, requirement: facts.printed },
        readAs: taken ? (taken.torque.readAs ?? taken.torque.printed) : null,
        book: taken?.book ?? null,
      },
    ],
  };
};

type Props = { readonly site: Site; readonly ownKinds: readonly JointKind[] };

/** One value, one fastener, no file: what is not known yet is asked, and the tool comes next. */
export const TightenScreen = ({ site, ownKinds }: Props) => {
  takeOwnKinds(ownKinds);
  const [value, setValue] = useState<Tightened | null>(null);
  const [details, setDetails] = useState<Readonly<Record<string, string>>>({});
  const form = useKitForm(tightenSchema, { defaults: NOTHING, draft: null });
  const attempt = useRef({ jobId: newId(), eventId: newId() });
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was brought along is read once, when the page opens
  useEffect(() => {
    const kept = toTighten();
    setValue(kept);
    if (kept) form.reset(factsOf(kept));
  }, []);
  const [printed, jointKind] = form.watch(['printed', 'jointKind']);
  const kind = siteKindOf(jointKind);
  return (
    <Form
      form={form}
      className="mx-auto grid max-w-3xl gap-4"
      onSend={async (facts) => {
        const answer = await call(OPERATIONS.planJob, jobOf(facts, value, details, attempt.current));
        if (!answer.ok) return answer.problem;
        forgetTightened();
        window.location.assign(`/jobs/${answer.value.job}/plan`);
        return null;
      }}
    >
      <NewJobWays way="one" />
      <section className="panel grid gap-3 p-4 sm:grid-cols-2">
        <div className="sm:col-span-2">
          <TextField
            name="printed"
            label="Torque, as it is printed"
            maxLength={200}
            look="text-xl font-bold"
          />
        </div>
        <TightenedValue printed={printed} value={value} site={site} />
        <div className="grid gap-1">
          <ChoiceField
            name="jointKind"
            label="Kind of joint"
            options={[
              { value: '', words: 'choose …' },
              ...siteKinds().map(({ code, name }) => ({ value: code, words: name })),
            ]}
          />
        </div>
        <TextField name="position" label="What it is called" maxLength={40} />
        {(kind?.details ?? []).map(({ id, name }) => (
          <label key={id}>
            {name} <span className="text-faint">(if it has one)</span>
            <input
              className="field mt-1"
              value={details[id] ?? ''}
              maxLength={60}
              onChange={(event) => setDetails({ ...details, [id]: event.target.value })}
            />
          </label>
        ))}
        <TextField
          name="title"
          label="What is it"
          placeholder="Collet, 16 series, 4 mm"
          maxLength={TITLE_MAX}
        />
        <TextField
          name="sourceTitle"
          label="Where the value is printed"
          placeholder="Mill tooling card"
          maxLength={120}
        />
        {kind && (
          <div className="sm:col-span-2">
            <KindFacts kind={kind} />
          </div>
        )}
      </section>
      <SubmitButton className="sticky bottom-16 text-l sm:bottom-2">Choose the tool</SubmitButton>
    </Form>
  );
};
