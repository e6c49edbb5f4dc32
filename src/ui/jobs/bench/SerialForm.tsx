import { useState } from 'react';
import { z } from 'zod';
import type { DeviceStream } from '#client/device/device-stream.ts';
import { openSerial, type SerialRefusal } from '#client/device/serial.ts';
import { keepSerialTool, keptSerialTool } from '#client/device/serial-tools.ts';
import { PATTERN_MAX_LENGTH } from '#core/device/plain-pattern.ts';
import type { Tool } from '#core/tool/tool.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { Form } from '../../kit/form/Form.tsx';
import { SubmitButton } from '../../kit/form/SubmitButton.tsx';
import { TextField } from '../../kit/form/TextField.tsx';
import { useKitForm } from '../../kit/form/use-kit-form.ts';

type Props = { readonly tool: Tool; readonly stream: DeviceStream; readonly onClose: () => void };

const BAUD = { least: 300, most: 921_600 } as const;
const schema = z.object({
  baudRate: z.coerce.number().int().min(BAUD.least).max(BAUD.most),
  pattern: z.string().trim().max(PATTERN_MAX_LENGTH),
});

const REFUSAL_WORDS = (refusal: SerialRefusal): string => {
  switch (refusal.code) {
    case 'serial-not-here':
      return 'This browser reads no cables. Use one that has Web Serial, or type what the tool shows.';
    case 'serial-not-opened':
      return `The cable was not opened${refusal.why === '' ? '' : ` (${refusal.why})`}. Close what else reads it, and choose it again.`;
    case 'pattern-unreadable':
      return `“${refusal.at}” is no name here. Names are {number}, {peak}, {unit}, {angle} and {any}, each once; {any} up to three times.`;
    case 'pattern-without-peak':
      return 'The pattern names no {peak}: that is what is recorded.';
    case 'pattern-without-unit':
      return 'The pattern names no {unit}.';
  }
};

/** How the tool in hand speaks over its cable; kept for the next time, and read by this browser itself. */
export const SerialForm = ({ tool, stream, onClose }: Props) => {
  const [refusal, setRefusal] = useState<SerialRefusal | null>(null);
  const kept = keptSerialTool(tool.code);
  const form = useKitForm(schema, {
    draft: null,
    defaults: { baudRate: String(kept?.baudRate ?? 9600), pattern: kept?.pattern ?? '' },
  });
  return (
    <Dialog title={`Cable of ${tool.code}`} onClose={onClose}>
      <Form
        form={form}
        className="grid gap-3"
        onSend={async ({ baudRate, pattern }) => {
          const opened = await openSerial(
            { device: tool.serial, baudRate, pattern, unit: tool.scale.unit },
            { onLine: stream.take, onCut: stream.cut },
          );
          if (opened.ok) {
            keepSerialTool(tool.code, { baudRate, pattern });
            onClose();
          } else setRefusal(opened.refusal);
          return null;
        }}
      >
        <p>
          Its settings say how it speaks. Lines of JSON need no pattern; plain text needs one, such as{' '}
          <span className="font-mono">{'{number};{peak};{unit}'}</span>. Where the text names no unit, it is
          taken to be in the unit of the tool on the Plan.
        </p>
        <TextField name="baudRate" label="Bits a second" maxLength={7} />
        <TextField name="pattern" label="Pattern of a line" maxLength={PATTERN_MAX_LENGTH} />
        {refusal && (
          <p role="alert" className="font-semibold text-unsure">
            {REFUSAL_WORDS(refusal)}
          </p>
        )}
        <SubmitButton>Choose the cable</SubmitButton>
      </Form>
    </Dialog>
  );
};
