import { unitSymbol } from '../../quantity/unit.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { AllowedTools, Conditions, RunOn, SecondCondition } from '../requirement/conditions.ts';
import { LUBRICATIONS, NO_CONDITIONS } from '../requirement/conditions.ts';
import { readRequirement } from '../requirement/read-requirement.ts';
import { PROPERTY_CLASSES, propertyClassOf } from '../screw/property-class.ts';

/** Columns of a requirement list that say what a requirement holds for. */
export const CONDITION_COLUMNS = [
  'lubrication',
  'thread',
  'single_use',
  'run_on',
  'second',
  'tools',
  'made_for',
  'property_class',
] as const;
export type ConditionColumn = (typeof CONDITION_COLUMNS)[number];

export type ConditionRefusal = {
  readonly code: 'unknown-choice';
  readonly text: string;
  readonly known: readonly string[];
};

const unknown = (text: string, known: readonly string[]) =>
  refused({ code: 'unknown-choice' as const, text: text.slice(0, 40), known });

const YES_NO: Readonly<Record<string, boolean>> = { '': false, no: false, yes: true };

const readRunOn = (text: string): Result<RunOn, ConditionRefusal> => {
  if (text === '') return accepted({ kind: 'none' });
  if (text === 'measure') return accepted({ kind: 'to-be-measured' });
  const read = readRequirement(text, 'N.m');
  return read.ok && read.value.requirement.kind === 'nominal'
    ? accepted({ kind: 'measured', torque: read.value.requirement.nominal })
    : unknown(text, ['measure', '8 lbf·in']);
};

const readSecond = (text: string): Result<readonly SecondCondition[], ConditionRefusal> => {
  const conditions: SecondCondition[] = [];
  for (const part of text
    .split(';')
    .map((each) => each.trim())
    .filter(Boolean)) {
    const runout = /^runout (\d+(?:\.\d+)?) ?mm$/i.exec(part);
    const temperature = /^temperature (-?\d+(?:\.\d+)?) ?°?c$/i.exec(part);
    if (runout) conditions.push({ kind: 'runout', limitMillimetres: Number(runout[1]) });
    else if (temperature) conditions.push({ kind: 'temperature', limitCelsius: Number(temperature[1]) });
    else if (/^no leak$/i.test(part)) conditions.push({ kind: 'no-leak' });
    else return unknown(part, ['runout 0.01 mm', 'temperature 60 °C', 'no leak']);
  }
  return accepted(conditions);
};

const readTools = (text: string): Result<AllowedTools, ConditionRefusal> => {
  if (text === '') return accepted({ kind: 'any' });
  const match = /^(only|never) (.+)$/i.exec(text);
  const tools =
    match?.[2]
      ?.split(',')
      .map((each) => each.trim())
      .filter(Boolean) ?? [];
  return match && tools.length > 0
    ? accepted({ kind: match[1]?.toLowerCase() === 'only' ? 'only' : 'never', tools })
    : unknown(text, ['only preset-screwdriver', 'never adjustable-click-wrench']);
};

/** Reads conditions from a list's cells, with the column of what can't be read. Refuses: unknown-choice. */
export const readConditions = (
  cells: Readonly<{ [C in ConditionColumn]?: string | undefined }>,
): Result<Conditions, { readonly column: ConditionColumn; readonly refusal: ConditionRefusal }> => {
  const cell = (column: ConditionColumn): string => (cells[column] ?? '').trim();
  const at =
    (column: ConditionColumn) =>
    <T>(
      result: Result<T, ConditionRefusal>,
    ): Result<T, { readonly column: ConditionColumn; readonly refusal: ConditionRefusal }> =>
      result.ok ? result : refused({ column, refusal: result.refusal });
  const lubrication = cell('lubrication').toLowerCase();
  const isCompound = lubrication !== '' && !LUBRICATIONS.some((each) => each === lubrication);
  const thread = cell('thread').toLowerCase() || 'right';
  if (thread !== 'right' && thread !== 'left') return at('thread')(unknown(thread, ['right', 'left']));
  const isSingleUse = YES_NO[cell('single_use').toLowerCase()];
  if (isSingleUse === undefined) return at('single_use')(unknown(cell('single_use'), ['yes', 'no']));
  const runOn = at('run_on')(readRunOn(cell('run_on')));
  if (!runOn.ok) return runOn;
  const second = at('second')(readSecond(cell('second')));
  if (!second.ok) return second;
  const tools = at('tools')(readTools(cell('tools')));
  if (!tools.ok) return tools;
  const propertyClass = propertyClassOf(cell('property_class'));
  if (cell('property_class') !== '' && !propertyClass)
    return at('property_class')(unknown(cell('property_class'), PROPERTY_CLASSES));
  return accepted({
    ...NO_CONDITIONS,
    lubrication: isCompound
      ? 'compound'
      : (LUBRICATIONS.find((each) => each === lubrication) ?? NO_CONDITIONS.lubrication),
    compound: isCompound ? cell('lubrication') : '',
    thread,
    isSingleUse,
    runOn: runOn.value,
    second: second.value,
    tools: tools.value,
    madeForMaterial: cell('made_for'),
    ...(propertyClass ? { propertyClass } : {}),
  });
};

const secondText = (condition: SecondCondition): string => {
  if (condition.kind === 'runout') return `runout ${condition.limitMillimetres} mm`;
  return condition.kind === 'temperature' ? `temperature ${condition.limitCelsius} °C` : 'no leak';
};

/** Conditions as the cells of a list: the inverse of readConditions. */
export const conditionCells = (conditions: Conditions): Readonly<Record<ConditionColumn, string>> => {
  const { runOn, tools } = conditions;
  const lubrication = conditions.lubrication === 'not-stated' ? '' : conditions.lubrication;
  return {
    lubrication: conditions.lubrication === 'compound' ? conditions.compound : lubrication,
    thread: conditions.thread === 'right' ? '' : conditions.thread,
    single_use: conditions.isSingleUse ? 'yes' : '',
    run_on:
      runOn.kind === 'measured'
        ? `${runOn.torque.text} ${unitSymbol(runOn.torque.unit)}`
        : runOn.kind === 'none'
          ? ''
          : 'measure',
    second: conditions.second.map(secondText).join('; '),
    tools: tools.kind === 'any' ? '' : `${tools.kind} ${tools.tools.join(', ')}`,
    made_for: conditions.madeForMaterial,
    property_class: conditions.propertyClass ?? '',
  };
};
