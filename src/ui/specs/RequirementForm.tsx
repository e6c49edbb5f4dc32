import { useMemo, useRef, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import { specificationOf } from '#core/spec/book/book-requirement.ts';
import type { Source } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { TickField } from '../kit/form/TickField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { DoubtfulCell } from '../shared/DoubtfulCell.tsx';
import { LiveDerivation } from './LiveDerivation.tsx';
import { MORE_COLUMNS, RequirementMain, RequirementMore, RequirementSource } from './RequirementFields.tsx';
import {
  draftOf,
  isCondition,
  type RequirementFormDraft,
  readDraft,
  requirementDraftSchema,
} from './requirement-draft.ts';

type Props = {
  readonly kept: KeptRequirement | null;
  readonly source: Source | null;
  readonly sources: readonly Source[];
  readonly site: Site;
  readonly onKept: (kept: KeptRequirement) => void;
};

/** Writes a requirement, new or as the next revision of one. It is read while it is typed, and what is typed outlives an error. */
export const RequirementForm = ({ kept, source, sources, site, onKept }: Props) => {
  const [schema] = useState(() => requirementDraftSchema(sources, site.unit, kept !== null));
  const [defaults] = useState(() => draftOf(kept, source));
  const form = useKitForm(schema, {
    defaults,
    draft: `jentik-requirement-${kept ? `${kept.id}.${kept.revision}` : 'new'}`,
  });
  const id = useRef(kept?.id ?? newId());
  const watched = useWatch({ control: form.control }) as Partial<RequirementFormDraft>;
  const draft: RequirementFormDraft = {
    ...defaults,
    ...watched,
    cells: { ...defaults.cells, ...watched.cells },
  };
  const printed = draft.cells.requirement;
  // What one person read a print as says nothing about another print.
  const readAs = draft.readOf === printed ? draft.readAs : '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: the draft is a new object each time; its text is not
  const read = useMemo(
    () => readDraft({ ...draft, readAs }, sources, site.unit),
    [JSON.stringify(draft.cells), readAs, site.unit, sources],
  );
  const doubt = read.findings.find(({ column }) => column === 'requirement');
  const hasMore = MORE_COLUMNS.some(
    (column) => draft.cells[column] !== '' && (isCondition(column) || column !== 'note'),
  );
  return (
    <Form
      form={form}
      className="grid gap-3 sm:grid-cols-2"
      onSend={async ({ sourceId, body }) => {
        const { isWithdrawn, why } = form.getValues();
        const answer = await call(OPERATIONS.keepRequirements, [
          { id: id.current, basedOn: kept?.revision ?? null, sourceId, isWithdrawn, why, body },
        ]);
        if (!answer.ok) return answer.problem;
        const [first] = answer.value;
        if (first) onKept(first);
        return null;
      }}
    >
      <RequirementMain />
      {doubt && printed !== '' && (
        <div className="sm:col-span-2">
          <DoubtfulCell
            key={printed}
            refusal={doubt.refusal}
            where="the printed torque"
            text={readAs || printed}
            onResolve={(text) => {
              form.setValue('readOf', printed);
              form.setValue('readAs', text.trim(), { shouldDirty: true });
            }}
          />
        </div>
      )}
      <RequirementSource sources={sources} chosen={draft.cells.source} />
      <details className="sm:col-span-2" open={hasMore}>
        <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
          what it holds for: other part, run-on torque, threads, tools, second conditions
        </summary>
        <RequirementMore />
      </details>
      {kept && (
        <>
          <TextField
            name="why"
            label="Why it changes"
            className="sm:col-span-2"
            maxLength={300}
            placeholder="new revision of the manual"
          />
          <TickField name="isWithdrawn" label="withdrawn: no new job may use it" />
        </>
      )}
      {read.value && (
        <div className="panel grid gap-2 p-3 sm:col-span-2">
          <p>
            Read as <strong>{requirementWords(read.value.body.torque.requirement)}</strong>
          </p>
          <LiveDerivation
            key={JSON.stringify(read.value.body)}
            specification={specificationOf(read.value.body)}
            site={site}
          />
        </div>
      )}
      <SubmitButton className="sm:col-span-2">
        {kept ? `Keep as revision ${kept.revision + 1}` : 'Keep this requirement'}
      </SubmitButton>
    </Form>
  );
};
