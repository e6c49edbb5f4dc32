import type { Requirement } from '#core/spec/requirement/requirement.ts';

const turned = (requirement: {
  angleDegrees: number;
  furtherDegrees?: readonly number[] | undefined;
}): string =>
  [requirement.angleDegrees, ...(requirement.furtherDegrees ?? [])].map((angle) => ` +${angle}`).join('');

/** A requirement in the short notation of the corpora: `=5 N.m`, `5..7 N.m`, `<7 N.m`, `>5 N.m`, `6 +1 -0.5 N.m`, `6 +10% -10% N.m`,
 *  `22 N.m +90`, `snug +90`, `hand +60`, `5 !7 N.m` (not to exceed), `~5 N.m` (about), `finger`. */
export const requirementNotation = (requirement: Requirement): string => {
  switch (requirement.kind) {
    case 'range':
      return `${requirement.isApproximate ? '~' : ''}${requirement.low.text}..${requirement.high.text} ${requirement.low.unit}`;
    case 'nominal':
      return `${requirement.isApproximate ? '~' : '='}${requirement.nominal.text} ${requirement.nominal.unit}`;
    case 'nominal-percent': {
      const { nominal, tolerancePercent, minusPercent = tolerancePercent } = requirement;
      return `${nominal.text} +${tolerancePercent}% -${minusPercent}% ${nominal.unit}`;
    }
    case 'nominal-absolute':
      return `${requirement.nominal.text} +${requirement.plus.text} -${requirement.minus.text} ${requirement.nominal.unit}`;
    case 'nominal-maximum':
      return `${requirement.nominal.text} !${requirement.maximum.text} ${requirement.nominal.unit}`;
    case 'maximum':
      return `<${requirement.maximum.text} ${requirement.maximum.unit}`;
    case 'minimum':
      return `>${requirement.minimum.text} ${requirement.minimum.unit}`;
    case 'torque-then-angle':
      return `${requirement.torque.text} ${requirement.torque.unit}${turned(requirement)}`;
    case 'snug-then-angle':
      return `${requirement.from ? 'hand' : 'snug'}${turned(requirement)}`;
    case 'finger-tight':
      return 'finger';
  }
};
