import { unitSymbol } from '#core/quantity/unit.ts';
import type { Scale } from '#core/tool/scale.ts';
import type { ToolSetting } from '#core/tool/tool-setting.ts';

const short = (value: number): string => String(Number(value.toFixed(6)));
const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** How far to turn from where the tool stands: "up 1 turn and 4 marks, clockwise". */
export const turnWords = (scale: Scale, turns: number): string => {
  if (Math.abs(turns) < 1e-9) return 'it stands there already';
  const marksPerTurn = Math.round(scale.perTurn / scale.graduation);
  const marks = Math.round(Math.abs(turns) * marksPerTurn);
  const whole = Math.floor(marks / marksPerTurn);
  const rest = marks % marksPerTurn;
  const parts = [whole > 0 ? counted(whole, 'turn') : '', rest > 0 ? counted(rest, 'mark') : ''];
  const isUp = turns > 0;
  const way = isUp === (scale.raisedBy === 'clockwise') ? 'clockwise' : 'anticlockwise';
  return `${isUp ? 'up' : 'down'} ${parts.filter(Boolean).join(' and ')}, ${way}`;
};

/** How the scale reads: "20 on the shaft, 2 on the barrel". */
export const scaleWords = ({ marks }: Pick<ToolSetting, 'marks'>): string =>
  `${short(marks.main)} on the shaft, ${short(marks.sub)} on the barrel`;

/** The range of a scale: "4 to 36 lbf·in", "5 N·m". */
export const rangeWords = ({ form, minimum, maximum, unit }: Scale): string =>
  `${form === 'preset' ? short(minimum) : `${short(minimum)} to ${short(maximum)}`} ${unitSymbol(unit)}`;

/** A scale in a phrase: "4 to 36 lbf·in, 4 a turn, 0.5 a mark", "0.5 to 6 N·m, 0.1 a graduation", "5 N·m, one setting". */
export const scaleRangeWords = (scale: Scale): string => {
  const range = rangeWords(scale);
  if (scale.form === 'preset') return `${range}, one setting`;
  return scale.form === 'barrel'
    ? `${range}, ${short(scale.perTurn)} a turn, ${short(scale.graduation)} a mark`
    : `${range}, ${short(scale.graduation)} a ${scale.form === 'display' ? 'digit' : 'graduation'}`;
};
