import { unitSymbol } from '#core/quantity/unit.ts';
import { isIndicating } from '#core/tool/tool.ts';
import type { DueStep } from '#core/view/due-steps.ts';
import type { NextAction } from '#core/view/next-action.ts';

const stepWords = ({ step, limits, since }: DueStep): string => {
  switch (step.act.kind) {
    case 'confirm':
      return `Done: ${step.title.toLowerCase()}`;
    case 'inspect':
      return `Good: ${step.title.toLowerCase()}`;
    case 'wait':
      return since === null ? 'Begin to wait' : 'Go on, once the time is up';
    case 'measure':
      return `Type it, in ${limits?.unit ?? ''}`;
    case 'photograph':
      return 'Take the photograph above';
  }
};

/** What the large action of the bench says. */
export const mainWords = (action: NextAction, position: string | null): string => {
  switch (action.kind) {
    case 'choose-tool':
      return 'Choose the tool';
    case 'make-safe':
      return 'Make safe first';
    case 'step':
      return stepWords(action.due);
    case 'loosen':
      return action.isLed ? `${position} is loosened` : `${position} is loosened, thread inspected`;
    case 'inspect':
      return `Good: thread, head and seat of ${position}`;
    case 'replace':
      return `${position} is replaced by a new one`;
    case 'turn':
      return `Type how far ${position} was turned`;
    case 'measure-run-on':
      return `Type the run-on torque of ${position}`;
    case 'finger-tighten':
      return `${position} is ${action.isSnug ? 'snug' : 'finger tight'}`;
    case 'set-tool': {
      const { code, scale } = action.taken.tool;
      return `${code} is set to ${action.wanted.text} ${unitSymbol(scale.unit)}`;
    }
    case 'pull':
      if (isIndicating(action.taken.tool)) return 'Type what it showed';
      return 'It clicked';
    case 'another-tool':
      return 'Choose another tool';
    case 'wind-down':
      return `Wound down: ${action.tools
        .map(({ taken, to }) => `${taken.tool.code} to ${to.text} ${unitSymbol(to.unit)}`)
        .join(', ')}`;
    case 'sign':
      return 'Nothing left to pull: sign';
    case 'signed':
      return 'Signed: see the record';
  }
};

/** What recording the digits typed is called, with their unit; null where digits say nothing. */
export const typedWords = (action: NextAction, typed: string, isInSixths = false): string | null => {
  switch (action.kind) {
    case 'turn':
      return `Turned by ${typed}${isInSixths ? ' sixths of a turn' : '°'}`;
    case 'pull':
      return `Record ${typed} ${unitSymbol(action.taken.tool.scale.unit)}`;
    case 'measure-run-on':
      return `Run-on torque ${typed} ${unitSymbol(action.taken.tool.scale.unit)}`;
    case 'step':
      return action.due.limits && `Record ${typed} ${action.due.limits.unit}`;
    default:
      return null;
  }
};
