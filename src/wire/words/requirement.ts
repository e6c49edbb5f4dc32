import { type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { printedTorques, type Requirement } from '#core/spec/requirement/requirement.ts';

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
    case 'nominal-percent':
      return `${digits} ${symbol} ±${requirement.tolerancePercent} %`;
    case 'nominal-absolute':
      return `${digits} ${symbol}, +${requirement.plus.text} −${requirement.minus.text}`;
    case 'nominal':
      return `${digits} ${symbol}, no tolerance printed`;
    case 'torque-then-angle':
      return `${digits} ${symbol}, then ${requirement.angleDegrees}°`;
    case 'finger-tight':
      return 'finger tight';
    case 'snug-then-angle':
      return `snug, then ${requirement.angleDegrees}°`;
    case 'range':
      return `${digits} ${symbol}`;
  }
};

/** A torque with its unit, as it was written. */
export const writtenWords = ({ text, unit }: { readonly text: string; readonly unit: TorqueUnit }): string =>
  `${text} ${unitSymbol(unit)}`;
