import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { CHECK_METHODS, CHECK_PURPOSES, canCheck } from '#core/job/check.ts';
import { readNumber } from '#core/quantity/read-number.ts';
import type { Tool } from '#core/tool/tool.ts';
import { canShow } from '#core/tool/usable-band.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { targetOf } from '#core/view/fastener-target.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { CribTool } from '#wire/tool.ts';
import { CHECK_BIAS_WORDS, CHECK_METHOD_WORDS, CHECK_PURPOSE_NAMES } from '#wire/words/check.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { ChoiceField } from '../../kit/form/ChoiceField.tsx';
import { Form } from '../../kit/form/Form.tsx';
import { ReadingField } from '../../kit/form/ReadingField.tsx';
import { SubmitButton } from '../../kit/form/SubmitButton.tsx';
import { TextField } from '../../kit/form/TextField.tsx';
import { useKitForm } from '../../kit/form/use-kit-form.ts';
import type { OpenJob } from '../use-job.ts';

type Props = {
  readonly job: OpenJob;
  readonly tools: readonly CribTool[];
  readonly onClose: () => void;
};

const schema = z.object({
  position: z.string().min(1),
  purpose: z.enum(CHECK_PURPOSES),
  method: z.enum(CHECK_METHODS),
  toolId: z.string(),
  // Read as it was written: its digits are part of it.
  reading: z.string().trim().min(1),
  note: z.string().trim().max(300),
});

/** Records a check of a finished fastener, or a reading after it settled. */
export const CheckForm = ({ job, tools, onClose }: Props) => {
  const pulled = job.view.fasteners.filter(({ pulls }) => pulls.some(({ voided }) => voided === null));
  const usable = tools.filter(({ blocks }) => blocks.length === 0);
  const [defaults] = useState(() => ({
    position: pulled[0]?.planned.position ?? '',
    purpose: 'check' as const,
    method: job.view.plan.schools.finishedCheck,
    toolId: [...job.view.takenTools.keys()].at(-1) ?? '',
    reading: '',
    note: '',
  }));
  const form = useKitForm(schema, { defaults, draft: `jentik-check-${job.view.job}` });
  const { position, method, toolId } = { ...defaults, ...useWatch({ control: form.control }) };
  const fastener = fastenerAt(job.view, position);
  const target = fastener && targetOf(job.view, fastener);
  const reaches = (tool: Tool): boolean => !target?.ok || canShow(tool, target.value.target);
  const able = usable.map(({ tool }) => tool).filter((tool) => canCheck(method, tool));
  const fit = [...able.filter(reaches), ...able.filter((tool) => !reaches(tool))];
  const tool = fit.find(({ id }) => id === toolId) ?? fit[0];
  const unit = tool?.scale.unit ?? 'N.m';
  const record = (said: z.output<typeof schema>) => {
    const number = readNumber(said.reading);
    if (!number.ok) return problemDetails(number.refusal);
    if (!tool) return null;
    const { code, serial, calibrationDueOn } = tool;
    const happened = job.happen({
      kind: 'fastener-checked',
      body: {
        position,
        purpose: said.purpose,
        method,
        toolId: tool.id,
        reading: { ...number.value, unit },
        note: said.note,
        tool: { code, serial, calibrationDueOn },
        lowNewtonMetres: 0,
        highNewtonMetres: 0,
        isInside: false,
      },
    });
    if (happened.ok) onClose();
    return happened.ok ? null : problemDetails(happened.refusal);
  };
  return (
    <Dialog title="Record a check" onClose={onClose}>
      <Form form={form} className="grid gap-3" onSend={record}>
        <ChoiceField
          name="position"
          label="Fastener"
          options={pulled.map(({ planned }) => ({
            value: planned.position,
            words: `${planned.position} ${planned.label}`,
          }))}
        />
        <ChoiceField
          name="purpose"
          label="What for"
          options={CHECK_PURPOSES.map((value) => ({ value, words: CHECK_PURPOSE_NAMES[value] }))}
        />
        <ChoiceField
          name="method"
          label="How"
          hint={CHECK_BIAS_WORDS[method]}
          options={CHECK_METHODS.map((value) => ({ value, words: CHECK_METHOD_WORDS[value] }))}
        />
        {tool ? (
          <ChoiceField
            name="toolId"
            label="With"
            options={fit.map((each) => ({
              value: each.id,
              words: `${each.code}, ${TOOL_KIND_WORDS[each.kind]}, ${scaleRangeWords(each.scale)}`,
            }))}
          />
        ) : (
          <p role="alert">
            No tool that is fit for use can do this: it takes one that{' '}
            {method === 'second-click' ? 'clicks' : 'shows what it reads'}. Choose another way, or see to the{' '}
            <a href="/tools">tools</a>.
          </p>
        )}
        {tool && !reaches(tool) && (
          <p role="alert">
            {tool.code} is not made for the torque of {position}: that is off its scale, or outside its usable
            band.
          </p>
        )}
        <ReadingField name="reading" label="Reading" unit={unit} />
        <TextField name="note" label="Note" maxLength={300} />
        <SubmitButton isHeld={!tool || position === ''}>Record it</SubmitButton>
      </Form>
    </Dialog>
  );
};
