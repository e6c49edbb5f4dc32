import type { JobEvent } from '../event/event.ts';
import { isOverdue } from '../tool/tool.ts';
import type { FastenerView, PullRecord } from '../view/bench.ts';
import { targetOrNull } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { jobProgress, jobStage, openItems } from '../view/open-items.ts';
import { clockFindings } from './clock-findings.ts';
import type { ToolTaken } from './statement-1.ts';

const toolStatement = ({ tool, chosenOn, adapters, override }: ToolTaken) => ({
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
  adapters,
  override,
});

const pullStatement = ({ eventId, person, deviceTime, body, voided }: PullRecord) => {
  // What the form of its time did not say of a pull stays out of it.
  const { position: _, pass: _p, moved: _m, ...pull } = body;
  return { event: eventId, by: person, at: deviceTime, ...pull, voided };
};

const fastenerStatement = (job: JobView, fastener: FastenerView) => {
  const { planned, runOn, pulls, status, isWitnessMarked, leftOpen } = fastener;
  return {
    position: planned.position,
    label: planned.label,
    conductor: planned.details['conductor'] ?? '',
    requirement: planned.requirement,
    runOn,
    derivation: (targetOrNull(job, fastener)?.steps ?? []).map(({ rule, gives, school, assumed }) => ({
      rule,
      gives,
      school,
      assumed,
    })),
    status,
    witnessMarked: isWitnessMarked,
    leftOpen,
    pulls: pulls.map(pullStatement),
  };
};

/** Version 2 of what a record states about a job in the form of a statement of conformity: everything follows from the events.
 *  Source: ISO/IEC 17025:2017, 7.8.6. */
export const jobStatement2 = (job: JobView, tools: readonly ToolTaken[], events: readonly JobEvent[]) => ({
  version: 2,
  number: job.plan.number,
  title: job.plan.title,
  seenFrom: job.plan.groups[0]?.seenFrom ?? '',
  jobKind: job.plan.groups[0]?.kind.code ?? '',
  source: job.plan.source,
  schools: job.plan.schools,
  rules: { planned: job.plan.rules, inForce: job.rules, moves: job.rulesMoves },
  decisionRule: {
    rule: job.plan.schools.decisionRule,
    guardFactor: job.plan.schools.guardFactor,
  },
  stage: jobStage(job),
  progress: jobProgress(job),
  plannedBy: job.plannedBy,
  plannedAt: job.plannedAt,
  tools: tools.map(toolStatement),
  cautions: job.cautions,
  fasteners: job.fasteners.map((fastener) => fastenerStatement(job, fastener)),
  openItems: openItems(job),
  signatures: job.signatures,
  struckSignatures: job.struck,
  checks: job.checks,
  recalls: job.recalls,
  clockFindings: clockFindings(events),
});

export type JobStatement2 = ReturnType<typeof jobStatement2>;
