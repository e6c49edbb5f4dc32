import type { SourceKind, SourceStatus } from '#core/spec/book/source.ts';
import type { Conditions } from '#core/spec/requirement/conditions.ts';
import type { PropertyClass } from '#core/spec/screw/property-class.ts';
import { writtenWords } from './requirement.ts';
import { TOOL_KIND_WORDS } from './tool.ts';

/** The names of kinds of source. */
export const SOURCE_KIND_WORDS: Record<SourceKind, string> = {
  label: 'label on the part',
  manual: 'maker’s manual',
  standard: 'standard',
  circular: 'circular',
  'shop-instruction': 'shop instruction',
  letter: 'letter from the maker',
  'common-practice': 'common practice',
};

export const SOURCE_STATUS_WORDS: Record<SourceStatus, string> = {
  current: 'current',
  superseded: 'superseded',
  withdrawn: 'withdrawn',
};

const toolNames = (tools: readonly string[]): string =>
  tools.map((kind) => (TOOL_KIND_WORDS as Readonly<Record<string, string>>)[kind] ?? kind).join(' or ');

/** What screw a requirement asks for. */
export const classAskedWords = (asked: PropertyClass): string =>
  `screw of ${asked.startsWith('grade') ? '' : 'class '}${asked} or stronger`;

/** What a requirement holds for and demands beside its torque, in phrases; none where it says nothing. */
export const conditionWords = (conditions: Conditions): readonly string[] => {
  const { runOn, lubrication, compound, thread, isSingleUse, second, tools, madeForMaterial, propertyClass } =
    conditions;
  return [
    runOn.kind === 'to-be-measured' ? 'run-on torque is measured and added' : '',
    runOn.kind === 'measured' ? `${writtenWords(runOn.torque)} of run-on torque is added` : '',
    lubrication === 'dry' ? 'dry threads' : '',
    lubrication === 'oiled' ? 'oiled threads' : '',
    lubrication === 'compound' ? `threads with ${compound || 'a compound'}` : '',
    thread === 'left' ? 'left-hand thread' : '',
    isSingleUse ? 'fastener is used once' : '',
    ...second.map((each) => {
      if (each.kind === 'runout') return `runout at most ${each.limitMillimetres} mm`;
      return each.kind === 'temperature' ? `at most ${each.limitCelsius} °C in service` : 'no leak';
    }),
    tools.kind === 'only' ? `only with: ${toolNames(tools.tools)}` : '',
    tools.kind === 'never' ? `never with: ${toolNames(tools.tools)}` : '',
    madeForMaterial ? `made for ${madeForMaterial}` : '',
    propertyClass ? classAskedWords(propertyClass) : '',
  ].filter(Boolean);
};
