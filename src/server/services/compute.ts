import type { z } from 'zod';
import { readConductorSize } from '#core/conductor/conductor-size.ts';
import { readRequirement } from '#core/requirement/read-requirement.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { checkedScale } from '#core/setting/scale.ts';
import { toolSetting } from '#core/setting/tool-setting.ts';
import { targetAndAcceptance } from '#core/target/target-and-acceptance.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import { displayDigits } from '#core/torque/display.ts';
import { fromNewtonMetres, type NewtonMetres, type TorqueUnit, toNewtonMetres } from '#core/torque/unit.ts';
import { pullStandardUncertainty } from '#core/verdict/pull-uncertainty.ts';
import { tighteningVerdict } from '#core/verdict/tightening-verdict.ts';
import type * as wire from '#wire/compute.ts';
import type { Problem } from '#wire/problems/problem.ts';

type Quantity = { readonly value: number; readonly unit: TorqueUnit };
type In<S extends z.ZodType> = z.output<S>;
type Out<S extends z.ZodType> = Result<z.input<S>, Problem>;

const inNm = ({ value, unit }: Quantity): NewtonMetres => toNewtonMetres(value, unit);
const quantity = (torque: NewtonMetres, unit: TorqueUnit): Quantity => ({
  value: fromNewtonMetres(torque, unit),
  unit,
});

/** What a written torque says. Refuses: what readRequirement refuses. */
export const parseTorque = ({
  text,
  siteUnit,
}: In<typeof wire.parseTorqueRequest>): Out<typeof wire.parseTorqueResponse> => {
  const read = readRequirement(text, siteUnit);
  if (!read.ok) return read;
  const { alsoPrinted, disagreements, ...rest } = read.value;
  return accepted({ ...rest, alsoPrinted: [...alsoPrinted], disagreements: [...disagreements] });
};

/** A torque in another unit, with the digits it is worth. */
export const convert = ({
  torque,
  to,
  sourceDigits,
}: In<typeof wire.convertRequest>): Out<typeof wire.convertResponse> => {
  const converted = quantity(inNm(torque), to);
  const text = displayDigits(converted.value, { sourceDigits, graduation: null });
  return accepted({ torque: converted, text });
};

/** Target and acceptance of a printed requirement, with the steps. Refuses: what readRequirement and targetAndAcceptance refuse. */
export const resolveRequirement = ({
  requirement,
  schools,
  siteUnit,
  toolLimitPercent,
  unit,
}: In<typeof wire.resolveRequirementRequest>): Out<typeof wire.resolveRequirementResponse> => {
  const read = readRequirement(requirement, siteUnit);
  if (!read.ok) return read;
  const [disagreement] = read.value.disagreements;
  if (disagreement)
    return refused({
      code: 'statements-disagree',
      candidates: [],
      differencePercent: disagreement.differencePercent,
    });
  const resolved = targetAndAcceptance(read.value.requirement, schools, toolLimitPercent);
  if (!resolved.ok) return resolved;
  const { target, low, high, steps } = resolved.value;
  return accepted({
    target: quantity(target, unit),
    low: quantity(low, unit),
    high: quantity(high, unit),
    steps: steps.map(({ gives, rule, school, assumed, ratio, result }) => ({
      gives,
      rule,
      school: school ? `${school.question}:${school.choice}` : null,
      assumed,
      ratio,
      result: quantity(result, unit),
    })),
  });
};

/** What to set a tool to. Refuses: what checkedScale and toolSetting refuse. */
export const settingForTool = ({
  target,
  low,
  high,
  scale,
  standsAt,
  school,
}: In<typeof wire.toolSettingRequest>): Out<typeof wire.toolSettingResponse> => {
  const checked = checkedScale(scale);
  if (!checked.ok) return checked;
  const wanted = { target: inNm(target), low: inNm(low), high: inNm(high) };
  const setting = toolSetting(wanted, scale, school, standsAt ?? scale.minimum);
  if (!setting.ok) return setting;
  const { text, reading, turns, offTarget } = setting.value;
  return accepted({
    setting: { text, value: setting.value.setting, unit: scale.unit },
    main: reading.main,
    sub: reading.sub,
    turns,
    offTargetNewtonMetres: offTarget,
  });
};

/** The verdict on a reading. Refuses: tool-needed, when neither an uncertainty nor a tool is given. */
export const verdict = (request: In<typeof wire.verdictRequest>): Out<typeof wire.verdictResponse> => {
  const { reading, standardUncertainty, tool, decisionRule, guardFactor } = request;
  if (!standardUncertainty && !tool) return refused({ code: 'tool-needed' });
  const torque = inNm(reading);
  const u = standardUncertainty
    ? inNm(standardUncertainty)
    : pullStandardUncertainty(
        torque,
        tool ? permissibleDeviationPercent(tool.toolClass, inNm(tool.maximum)) : 0,
        tool ? inNm(tool.graduation) : torque,
      );
  const judged = tighteningVerdict(
    { kind: 'reading', reading: torque, standardUncertainty: u },
    { low: inNm(request.low), high: inNm(request.high) },
    { decisionRule, guardFactor },
  );
  return accepted({ ...judged, standardUncertainty: quantity(u, reading.unit) });
};

/** The size of a conductor on the axis of areas. Refuses: what readConductorSize refuses. */
export const conductor = ({ text }: In<typeof wire.conductorRequest>): Out<typeof wire.conductorResponse> =>
  readConductorSize(text);
