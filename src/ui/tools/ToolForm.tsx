import { useWatch } from 'react-hook-form';
import { call } from '#client/api.ts';
import { TORQUE_UNIT_CODES, unitSymbol } from '#core/quantity/unit.ts';
import { TOOL_DRIVES, TOOL_KINDS, type Tool, type ToolKind } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import { TOOL_DRIVE_WORDS, TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { DayField } from '../kit/form/DayField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { ScaleAsDescribed } from './ScaleAsDescribed.tsx';
import { ScaleFields } from './ScaleFields.tsx';
import { askedOf, EMPTY_TOOL, FORM_WORDS, toolDraftSchema, USUAL } from './tool-draft.ts';

/** Describes a tool: it is asked what its kind has, and its scale is drawn as it is described, so that a wrong mark is seen before it is used. */
export const ToolForm = ({ onAdded }: { readonly onAdded: (tool: Tool) => void }) => {
  const form = useKitForm(toolDraftSchema, { defaults: EMPTY_TOOL, draft: 'jentik-tool-2' });
  const draft = { ...EMPTY_TOOL, ...useWatch({ control: form.control }) };
  const asked = askedOf(draft);
  return (
    <Form
      form={form}
      className="grid gap-3 sm:grid-cols-2"
      onSend={async (tool) => {
        const answer = await call(OPERATIONS.addTool, tool);
        if (answer.ok) onAdded(answer.value as Tool);
        return answer.ok ? null : answer.problem;
      }}
    >
      <TextField name="code" label="What is written on it" maxLength={20} placeholder="TS-08" />
      <TextField name="serial" label="Serial number" maxLength={40} />
      <ChoiceField
        name="kind"
        label="Kind"
        options={TOOL_KINDS.map((value) => ({ value, words: TOOL_KIND_WORDS[value] }))}
        onChoose={(kind) => {
          const usual = USUAL[kind as ToolKind];
          form.setValue('form', usual.forms[0]);
          form.setValue('drive', usual.drive);
        }}
      />
      {asked.form && (
        <ChoiceField
          name="form"
          label="Its scale is"
          options={USUAL[draft.kind as ToolKind].forms.map((value) => ({ value, words: FORM_WORDS[value] }))}
        />
      )}
      <ChoiceField
        name="unit"
        label={asked.range ? 'Unit of its scale' : 'Unit of its setting'}
        options={TORQUE_UNIT_CODES.map((value) => ({ value, words: unitSymbol(value) }))}
      />
      <ScaleFields draft={draft} />
      <ChoiceField
        name="drive"
        label="Drive"
        options={TOOL_DRIVES.map((value) => ({ value, words: TOOL_DRIVE_WORDS[value] }))}
      />
      <ChoiceField
        name="directions"
        label="Works on threads"
        options={[
          { value: 'both', words: 'right and left' },
          { value: 'right', words: 'right only' },
          { value: 'left', words: 'left only' },
        ]}
      />
      {asked.lever && (
        <TextField
          name="lever"
          label="Drive centre to grip mark"
          unit="mm"
          placeholder="where nobody measured it, none"
        />
      )}
      {asked.opening && <TextField name="opening" label="Opening of the jaw" unit="mm" />}
      <TextField name="limitPercent" label="Limit its maker states" unit="± %" placeholder="as its class" />
      {draft.limitPercent.trim() !== '' && (
        <ChoiceField
          name="limitOf"
          label="Percent of"
          options={[
            { value: 'reading', words: 'the reading' },
            { value: 'full-scale', words: 'full scale' },
          ]}
        />
      )}
      <DayField name="takenIntoUseOn" label="Taken into use on" isOptional />
      <DayField name="calibratedOn" label="Calibrated on" />
      <DayField name="calibrationDueOn" label="Calibration due on" />
      <TextField name="dueAfterPulls" label="or after so many pulls" inputMode="numeric" />
      <ScaleAsDescribed draft={draft} />
      <SubmitButton className="sm:col-span-2">Add this tool</SubmitButton>
    </Form>
  );
};
