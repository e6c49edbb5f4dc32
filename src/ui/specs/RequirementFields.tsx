import type { RequirementColumn } from '#core/spec/book/requirement-list.ts';
import type { Source } from '#core/spec/book/source.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { sourceChoice } from './requirement-draft.ts';

type Asked = {
  readonly column: RequirementColumn;
  readonly name: string;
  readonly hint: string;
  readonly isWide?: boolean;
  readonly choices?: readonly string[];
};

const MAIN: readonly Asked[] = [
  { column: 'part', name: 'What is tightened', hint: 'coolant line, flare nut', isWide: true },
  { column: 'size', name: 'Size', hint: '3/8, M4, #10' },
  { column: 'requirement', name: 'As the source prints it', hint: '110 to 130 in-lb' },
  { column: 'place', name: 'Page or place', hint: 'page 12, table 3', isWide: true },
];

const MORE: readonly Asked[] = [
  { column: 'other_part', name: 'Other part of the joint', hint: 'handlebar' },
  { column: 'other_requirement', name: 'What the other part demands', hint: 'max 5 Nm' },
  { column: 'run_on', name: 'Run-on torque', hint: 'measure, or 8 lbf·in' },
  { column: 'lubrication', name: 'Threads', hint: 'dry, oiled, or the compound' },
  { column: 'thread', name: 'Thread direction', hint: '', choices: ['', 'left'] },
  { column: 'single_use', name: 'Fastener used once', hint: '', choices: ['', 'yes'] },
  { column: 'made_for', name: 'Value made for the material', hint: 'steel insert' },
  { column: 'part_softer', name: 'This part is softer than that', hint: '', choices: ['', 'yes'] },
  { column: 'property_class', name: 'Strength class of the screw', hint: '8.8, A2-70, grade 5' },
  { column: 'second', name: 'Second condition', hint: 'runout 0.01 mm; no leak' },
  { column: 'tools', name: 'Tools allowed or forbidden', hint: 'only preset-screwdriver' },
  { column: 'note', name: 'Note', hint: '', isWide: true },
];

/** The columns that stand under "what it holds for". */
export const MORE_COLUMNS: readonly RequirementColumn[] = MORE.map(({ column }) => column);

const Fields = ({ asked, prefix }: { readonly asked: readonly Asked[]; readonly prefix: string }) =>
  asked.map(({ column, name, hint, isWide, choices }) =>
    choices ? (
      <ChoiceField
        key={column}
        name={`${prefix}.${column}`}
        label={name}
        options={choices.map((value) => ({
          value,
          words: value || (column === 'thread' ? 'right' : 'no'),
        }))}
      />
    ) : (
      <TextField
        key={column}
        name={`${prefix}.${column}`}
        label={name}
        placeholder={hint}
        maxLength={column === 'note' || column === 'second' ? 1000 : 200}
        {...(isWide ? { className: 'sm:col-span-2' } : {})}
      />
    ),
  );

/** What a requirement is: what is tightened, its size, the print, and where that stands. */
export const RequirementMain = () => <Fields asked={MAIN} prefix="cells" />;

/** What a requirement holds for. */
export const RequirementMore = () => (
  <div className="grid gap-3 sm:grid-cols-2">
    <Fields asked={MORE} prefix="cells" />
  </div>
);

/** The document a requirement stands in. */
export const RequirementSource = ({
  sources,
  chosen,
}: {
  readonly sources: readonly Source[];
  readonly chosen: string;
}) => (
  <ChoiceField
    name="cells.source"
    label="Source"
    className="sm:col-span-2"
    options={[
      { value: '', words: 'choose the document' },
      ...sources
        .filter((each) => each.status === 'current' || sourceChoice(each) === chosen)
        .map((each) => ({ value: sourceChoice(each), words: sourceChoice(each) })),
    ]}
  />
);
