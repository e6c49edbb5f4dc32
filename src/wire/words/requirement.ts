import { type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { printedTorques, type Requirement, turnedDegrees } from '#core/spec/requirement/requirement.ts';

const turnedWords = (requirement: Requirement): string => anglesWords(turnedDegrees(requirement));

const toleranceWords = (plus: number, minus: number): string =>
  plus === minus ? `±${plus} %` : `+${plus} % −${minus} %`;

/** What is turned after the torque in words: ", then 90°"; empty where nothing is. */
export const anglesWords = (angles: readonly number[]): string =>
  angles.map((degrees) => `, then ${degrees}°`).join('');

/** What is tightened by hand in words: "finger tight", "snug, then 60°". */
export const byHandWords = (requirement: Requirement): string => {
  if (requirement.kind !== 'snug-then-angle') return 'finger tight';
  return `${requirement.from ? 'hand tight' : 'snug'}${anglesWords(turnedDegrees(requirement))}`;
};

/** A requirement in words, as it was read: "20 to 24 lbf·in", "at most 7 N·m". */
export const requirementWords = (requirement: Requirement): string => {
  const torques = printedTorques(requirement);
  const symbol = unitSymbol(torques[0]?.unit ?? 'N.m');
  const digits = torques.map(({ text }) => text).join(' to ');
  switch (requirement.kind) {
    case 'maximum':
      return `at most ${digits} ${symbol}`;
    case 'minimum':
      return `at least ${digits} ${symbol}`;
    case 'nominal-percent': {
      const { tolerancePercent, minusPercent = tolerancePercent } = requirement;
      return `${digits} ${symbol} ${toleranceWords(tolerancePercent, minusPercent)}`;
    }
    case 'nominal-absolute':
      return `${digits} ${symbol}, +${requirement.plus.text} −${requirement.minus.text}`;
    case 'nominal-maximum':
      return `${requirement.nominal.text} ${symbol}, at most ${requirement.maximum.text} ${symbol}`;
    case 'nominal':
      return `${requirement.isApproximate ? 'about ' : ''}${digits} ${symbol}, no tolerance printed`;
    case 'torque-then-angle':
      return `${digits} ${symbol}${turnedWords(requirement)}`;
    case 'finger-tight':
    case 'snug-then-angle':
      return byHandWords(requirement);
    case 'range':
      return `${requirement.isApproximate ? 'about ' : ''}${digits} ${symbol}`;
  }
};

/** A torque with its unit, as it was written. */
export const writtenWords = ({ text, unit }: { readonly text: string; readonly unit: TorqueUnit }): string =>
  `${text} ${unitSymbol(unit)}`;
