import type { z } from 'zod';
import { sessionEvaluation } from '#core/calibration/session-evaluation.ts';
import { toolConditions } from '#core/calibration/tool-conditions.ts';
import { displayDigits } from '#core/quantity/display.ts';
import { fromNewtonMetres, type NewtonMetres, type TorqueUnit, toNewtonMetres } from '#core/quantity/unit.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { requirementTarget } from '#core/rules/requirement-target.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { readConductorSize } from '#core/spec/conductor/conductor-size.ts';
import { readLabel } from '#core/spec/label/read-label.ts';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import {
  checkedTable,
  type ReadValue,
  readLookupTable,
  tableFindings,
} from '#core/spec/lookup/lookup-table.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { turnedDegrees } from '#core/spec/requirement/requirement.ts';
import { resolvedRequirement } from '#core/spec/requirement/resolved-requirement.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { relubricatedTarget } from '#core/target/specified-target.ts';
import { adapterFactor, adapterSensitivity, settingThrough } from '#core/tool/adapter.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import { rankedTools } from '#core/tool/ranked-tools.ts';
import { checkedScale } from '#core/tool/scale.ts';
import { toolSetting } from '#core/tool/tool-setting.ts';
import { tighteningVerdict } from '#core/verdict/tightening-verdict.ts';
import type {
  lookUpRequest,
  lookUpResponse,
  readLabelRequest,
  readLabelResponse,
  relubricateRequest,
  relubricateResponse,
} from '#wire/api-book.ts';
import type {
  adapterRequest,
  adapterResponse,
  calibrationRequest,
  calibrationResponse,
  chooseToolRequest,
  chooseToolResponse,
} from '#wire/api-tools.ts';
import type * as wire from '#wire/compute.ts';
import type { DeepReadonly } from '#wire/operation.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { requirementWords } from '#wire/words/requirement.ts';

type Quantity = { readonly value: number; readonly unit: TorqueUnit };
type In<S extends z.ZodType> = z.output<S>;
type Out<S extends z.ZodType> = Result<DeepReadonly<z.input<S>>, Problem>;

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
  const { printed, requirement, alsoPrinted, disagreements } = read.value;
  return accepted({ printed, requirement, alsoPrinted, disagreements });
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

/** Target and acceptance of a printed requirement, with the steps. Refuses: tool-needed, and what readRequirement and requirementTarget refuse. */
export const resolveRequirement = ({
  requirement,
  schools,
  siteUnit,
  toolLimitPercent,
  unit,
}: In<typeof wire.resolveRequirementRequest>): Out<typeof wire.resolveRequirementResponse> => {
  const read = resolvedRequirement(requirement, siteUnit);
  if (!read.ok) return read;
  // A job takes the site's tolerance until it has a tool; who asks for the class's without one is told so.
  if (
    schools.nominalTolerance === 'tool-class' &&
    toolLimitPercent === null &&
    read.value.requirement.kind === 'nominal'
  )
    return refused({ code: 'tool-needed' });
  const asked = { requirement: read.value.requirement, book: null };
  const resolved = requirementTarget(asked, null, schools, toolLimitPercent, NEWEST_RULES);
  if (!resolved.ok) return resolved;
  const { target, low, high, steps } = resolved.value;
  return accepted({
    target: quantity(target, unit),
    low: quantity(low, unit),
    high: quantity(high, unit),
    anglesDegrees: [...turnedDegrees(read.value.requirement)],
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
  const { text, marks, turns, offTarget } = setting.value;
  return accepted({
    setting: { text, value: setting.value.setting, unit: scale.unit },
    main: marks.main,
    sub: marks.sub,
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
    : NEWEST_RULES.standardUncertainty(
        torque,
        {
          leverMillimetres: null,
          limitPercent: tool ? permissibleDeviationPercent(tool.toolClass, inNm(tool.maximum)) : 0,
          limitOf: 'reading',
          calibration: null,
          scale: {
            form: 'barrel',
            unit: tool?.graduation.unit ?? 'N.m',
            minimum: 0,
            maximum: tool ? fromNewtonMetres(inNm(tool.maximum), tool.graduation.unit) : 1,
            perTurn: tool?.graduation.value ?? 1,
            graduation: tool?.graduation.value ?? 1,
            mainStart: 0,
            raisedBy: 'clockwise',
          },
        },
        [],
        1,
        DEFAULT_SCHOOLS,
      );
  const judged = tighteningVerdict(
    { kind: 'reading', reading: torque, standardUncertainty: u },
    { low: inNm(request.low), high: inNm(request.high) },
    { decisionRule, guardFactor },
  );
  return accepted({ ...judged, standardUncertainty: quantity(u, reading.unit) });
};

const foundText = (value: ReadValue): string | null => {
  if (value === null) return null;
  return value.kind === 'text' ? value.text : requirementWords(value.read.requirement);
};

/** A table looked up by its keys. Refuses: what checkedTable refuses. */
export const lookUpTable = ({
  table,
  keys,
  valueColumn,
  siteUnit,
}: In<typeof lookUpRequest>): Out<typeof lookUpResponse> => {
  const read = checkedTable(readLookupTable(table, siteUnit));
  if (!read.ok) return read;
  const result = lookUp(read.value, { keys, valueColumn });
  const printed = result.kind === 'found' ? foundText(result.value) : null;
  const rows =
    result.kind === 'found'
      ? [result.row]
      : result.kind === 'open'
        ? result.candidates
        : 'rows' in result
          ? result.rows
          : [];
  return accepted({
    outcome: result.kind,
    rows,
    questions:
      result.kind === 'open'
        ? result.questions.map((question) =>
            question.kind === 'key'
              ? { column: question.column, choices: question.choices }
              : { column: null, choices: question.choices.map((column) => table.values[column]?.name ?? '') },
          )
        : [],
    printed,
    whyNot: result.kind === 'none' ? result.whyNot : [],
  });
};

/** The text of a label as a table, with what must be settled. Refuses: what readLabel refuses. */
export const labelTable = ({
  text,
  siteUnit,
}: In<typeof readLabelRequest>): Out<typeof readLabelResponse> => {
  const proposed = readLabel(text);
  if (!proposed.ok) return proposed;
  const { table, asked } = proposed.value;
  const doubts = tableFindings(readLookupTable(table, siteUnit)).map(({ refusal, ...place }) => ({
    ...place,
    code: refusal.code,
  }));
  return accepted({ table, doubts, unread: asked });
};

/** A target for another lubrication, marked as derived. */
export const relubricate = ({
  target,
  low,
  high,
  fromNutFactor,
  toNutFactor,
}: In<typeof relubricateRequest>): Out<typeof relubricateResponse> => {
  const derived = relubricatedTarget(
    { target: inNm(target), low: inNm(low), high: inNm(high), steps: [] },
    fromNutFactor,
    toNutFactor,
  );
  return accepted({
    target: quantity(derived.target, target.unit),
    low: quantity(derived.low, low.unit),
    high: quantity(derived.high, high.unit),
    ratio: toNutFactor / fromNutFactor,
  });
};

/** A setting through an adapter chain. Refuses: what adapterFactor refuses. */
export const adapter = ({
  torque,
  leverMillimetres,
  chain,
}: In<typeof adapterRequest>): Out<typeof adapterResponse> => {
  const factor = adapterFactor(leverMillimetres, chain);
  if (!factor.ok) return factor;
  const sensitivity = adapterSensitivity(leverMillimetres, chain);
  if (!sensitivity.ok) return sensitivity;
  const setting = quantity(settingThrough(inNm(torque), factor.value), torque.unit);
  return accepted({ factor: factor.value, setting, ...sensitivity.value });
};

/** Tools ranked for a target. */
export const chooseTool = ({
  tools,
  target,
  low,
  high,
  thread,
}: In<typeof chooseToolRequest>): Out<typeof chooseToolResponse> => {
  const wanted = {
    target: { target: inNm(target), low: inNm(low), high: inNm(high) },
    thread,
    tools: { kind: 'any' },
    drive: 'hex-socket',
  } as const;
  const { fits, unsure, out } = rankedTools(tools, wanted, DEFAULT_SCHOOLS, NEWEST_RULES);
  return accepted({
    fits: fits.map(({ tool, setting, probability }) => ({
      code: tool.code,
      setting: setting.text,
      unit: tool.scale.unit,
      probability,
    })),
    out: [
      ...unsure.map(({ tool }) => ({ code: tool.code, because: ['not-sure-enough'] })),
      ...out.map(({ tool, because }) => ({ code: tool.code, because: [...because] })),
    ],
  });
};

/** A calibration session evaluated. Refuses: what sessionEvaluation refuses. */
export const calibration = ({
  tool,
  referenceExpandedPercent,
  points,
}: In<typeof calibrationRequest>): Out<typeof calibrationResponse> => {
  const result = sessionEvaluation(points, toolConditions(tool, referenceExpandedPercent));
  if (!result.ok) return result;
  return accepted({
    hasPassed: result.value.hasPassed,
    usable: result.value.usable,
    points: result.value.points.map(({ deviations: _d, budget: _b, ...point }) => point),
  });
};

/** The size of a conductor on the axis of areas. Refuses: what readConductorSize refuses. */
export const conductor = ({ text }: In<typeof wire.conductorRequest>): Out<typeof wire.conductorResponse> =>
  readConductorSize(text);
