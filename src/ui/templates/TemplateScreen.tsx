import { useRef, useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { deviceNow, newId } from '#client/happen.ts';
import { partCodeSchema } from '#core/job/plan.ts';
import { partsIn, TEMPLATE_TITLE_MAX } from '#core/job/template.ts';
import { TEMPLATE_OPERATIONS } from '#wire/api-templates.ts';
import { newJobSchema } from '#wire/new-job.ts';
import type { KeptTemplate } from '#wire/template.ts';
import { ORDER_WORDS } from '#wire/words/order.ts';
import { AssetFields } from '../import/AssetFields.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { Tick } from '../kit/Tick.tsx';
import { timeHere } from '../kit/time/here.ts';
import { NewJobWays } from '../layout/NewJobWays.tsx';

const factsSchema = z.object({
  title: newJobSchema.shape.title,
  assetCode: z.union([z.string().regex(/^\s*$/), partCodeSchema]),
  assetName: z.string().trim().max(80),
});

const GroupLines = ({ template }: Pick<KeptTemplate, 'template'>) => {
  const { groups, fasteners, source } = template.assembly;
  return (
    <>
      <ol className="grid gap-2">
        {groups.map(({ id, title, kind }) => {
          const own = fasteners.filter(({ group }) => group === id);
          const values = [
            ...new Set(
              own.map(({ requirement: { printed, readAs } }) =>
                readAs ? `${printed} says ${readAs}` : printed,
              ),
            ),
          ];
          return (
            <li key={id} className="border-b border-rule pb-2">
              <strong>{title}</strong> · {own.length}{' '}
              {own.length === 1 ? kind.words.fastener : kind.words.fasteners}
              {own.length > 1 && ` ${ORDER_WORDS[kind.order]}`}
              {kind.passes.length > 1 && `, ${kind.passes.length} passes`}
              <div className="text-s text-faint">
                {kind.name} · {values.slice(0, 4).join(' · ')}
                {values.length > 4 && ` and ${values.length - 4} more values`}
              </div>
            </li>
          );
        })}
      </ol>
      <p className="text-s text-faint">
        Values from {source.title}
        {source.revision && `, revision ${source.revision}`}. What the spec book has changed since is said on
        the new job’s Plan.
      </p>
    </>
  );
};

/** An assembly that was planned once: what is in it, a job opened from it, and the label that opens one. */
export const TemplateScreen = ({ kept }: { readonly kept: KeptTemplate }) => {
  const form = useKitForm(factsSchema, {
    defaults: { title: kept.title.slice(0, TEMPLATE_TITLE_MAX), assetCode: '', assetName: '' },
    draft: null,
  });
  const [isSameParts, setSameParts] = useState(false);
  const attempt = useRef({ jobId: newId(), eventId: newId() });
  const parts = partsIn(kept.template.assembly);
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <NewJobWays way="template" />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <Form
          form={form}
          className="grid gap-4"
          onSend={async ({ title, assetCode, assetName }) => {
            const asset = assetCode.trim() ? { code: assetCode, name: assetName || assetCode } : null;
            const answer = await call(
              TEMPLATE_OPERATIONS.openTemplate,
              { ...attempt.current, deviceTime: deviceNow(), title, asset, isSameParts },
              { template: kept.id },
            );
            if (!answer.ok) return answer.problem;
            window.location.assign(`/jobs/${answer.value.job}/plan`);
            return null;
          }}
        >
          <section className="panel grid gap-3 p-4 sm:grid-cols-2">
            <TextField
              name="title"
              label="What is it this time"
              maxLength={TEMPLATE_TITLE_MAX}
              className="sm:col-span-2"
            />
            <AssetFields />
            {parts.length > 0 && (
              <Tick isOn={isSameParts} onChange={setSameParts} className="sm:col-span-2">
                <span>
                  on the same parts: {parts.slice(0, 4).join(', ')}
                  {parts.length > 4 && ` and ${parts.length - 4} more`}
                </span>
              </Tick>
            )}
          </section>
          <SubmitButton className="sticky bottom-16 text-l sm:bottom-2">
            {`Open the job with ${kept.fasteners === 1 ? 'this fastener' : `these ${kept.fasteners}`}`}
          </SubmitButton>
        </Form>
        <div className="grid gap-4">
          <section className="panel grid gap-3 p-4" aria-label="What is in it">
            <h2 className="text-l font-bold">{kept.title}</h2>
            <p className="text-s text-faint">
              Revision {kept.revision}, {timeHere(kept.changedAt)}, {kept.changedBy}, from{' '}
              <a href={`/jobs/${kept.template.fromJob}/plan`}>this job</a>. To change it, keep the plan of
              another job as its next revision; jobs opened before stay as they are.
            </p>
            <GroupLines template={kept.template} />
          </section>
          <section className="panel grid gap-2 p-4" aria-label="Label">
            <h2 className="text-l font-bold">Label for the assembly</h2>
            <img
              src={`/api/v1/templates/${kept.id}/label.svg`}
              alt="Label with the code that opens a job from this template"
              className="w-full max-w-sm rounded border border-rule"
            />
            <p className="text-s text-faint">62 × 24 mm. Scanned, it opens this page.</p>
          </section>
        </div>
      </div>
    </div>
  );
};
