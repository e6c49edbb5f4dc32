import type { JobEvent } from '../event/event.ts';
import { stated } from '../stated.ts';
import { isOverdue } from '../tool/tool.ts';
import type { FastenerView, PullRecord } from '../view/bench.ts';
import { blockingSteps, type DueStep } from '../view/due-steps.ts';
import { targetOrNull } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { jobProgress, jobStage, openItems } from '../view/open-items.ts';
import { clockFindings } from './clock-findings.ts';
import type { ToolTaken } from './statement-1.ts';

const toolStatement = ({ tool, chosenOn, adapters, override, groups }: ToolTaken) => ({
  id: tool.id,
  code: tool.code,
  kind: tool.kind,
  toolClass: tool.toolClass,
  serial: tool.serial,
  limitPercent: tool.limitPercent,
  limitOf: tool.limitOf,
  calibratedOn: tool.calibratedOn,
  calibrationDueOn: tool.calibrationDueOn,
  calibrationOverdue: isOverdue(tool, chosenOn),
  chosenOn,
  groups,
  adapters,
  override,
});

const pullStatement = ({ eventId, person, deviceTime, body, voided }: PullRecord) => {
  const { position: _, ...pull } = body;
  return { event: eventId, by: person, at: deviceTime, ...pull, voided };
};

const fastenerStatement = (job: JobView, fastener: FastenerView) => {
  const { planned, runOn, pulls, status, pass, moved, isWitnessMarked, leftOpen, turns } = fastener;
  const { position, label, group, part, thread, direction, counterHold, isSingleUse, details, requirement } =
    planned;
  const { propertyClass, loadAmperes, ratedAmperes } = planned;
  return {
    position,
    label,
    group,
    part,
    thread,
    direction,
    counterHold,
    isSingleUse,
    details,
    ...stated({ propertyClass, loadAmperes, ratedAmperes }),
    requirement,
    runOn,
    derivation: (targetOrNull(job, fastener)?.steps ?? []).map(({ rule, gives, school, assumed }) => ({
      rule,
      gives,
      school,
      assumed,
    })),
    status,
    pass,
    moved,
    witnessMarked: isWitnessMarked,
    leftOpen,
    pulls: pulls.map(pullStatement),
    // Left out where none was, as in the first records of this form.
    ...(turns.length === 0 ? {} : { turns }),
  };
};

const openStep = ({ step, group, of, afterPass }: DueStep) => ({
  group: group?.id ?? null,
  step: step.id,
  of,
  afterPass,
});

/** The groups a lead took on though no tool was sure enough, by group; left out where there are none, as in the first records of this form. */
const gapsAccepted = ({ acceptedGaps }: JobView) =>
  acceptedGaps.size === 0
    ? {}
    : { acceptedGaps: [...acceptedGaps].map(([group, { why, person, at }]) => ({ group, why, person, at })) };

/** What was decided where a value was corrected or withdrawn; left out where nothing was, as in the first records of this form. */
const valuesRecalled = ({ valueRecalls }: JobView) => (valueRecalls.length === 0 ? {} : { valueRecalls });

/** Version 3 of what a record states about a job of any joint in the form of a statement of conformity: everything follows from the events.
 *  Source: ISO/IEC 17025:2017, 7.8.6. */
export const jobStatement3 = (job: JobView, tools: readonly ToolTaken[], events: readonly JobEvent[]) => ({
  version: 3,
  number: job.plan.number,
  title: job.plan.title,
  source: job.plan.source,
  schools: job.plan.schools,
  rules: { planned: job.plan.rules, inForce: job.rules, moves: job.rulesMoves },
  ...gapsAccepted(job),
  decisionRule: {
    rule: job.plan.schools.decisionRule,
    guardFactor: job.plan.schools.guardFactor,
  },
  stage: jobStage(job),
  progress: jobProgress(job),
  plannedBy: job.plannedBy,
  plannedAt: job.plannedAt,
  asset: job.plan.asset,
  groups: job.plan.groups.map(({ id, title, kind, seenFrom, parts }) => ({
    id,
    title,
    jointKind: { code: kind.code, revision: kind.revision, name: kind.name },
    seenFrom,
    parts,
  })),
  tools: tools.map(toolStatement),
  cautions: job.cautions,
  steps: job.steps,
  fasteners: job.fasteners.map((fastener) => fastenerStatement(job, fastener)),
  openItems: openItems(job),
  openSteps: blockingSteps(job).map(openStep),
  signatures: job.signatures,
  struckSignatures: job.struck,
  checks: job.checks,
  recalls: job.recalls,
  ...valuesRecalled(job),
  clockFindings: clockFindings(events),
});

export type JobStatement3 = ReturnType<typeof jobStatement3>;
