import type { DerivationStep } from '../target/derivation.ts';
import type { MountedAdapter } from '../tool/adapter.ts';
import { isOverdue, type Tool } from '../tool/tool.ts';
import type { ToolBlock } from '../tool/tool-blocks.ts';
import type { FastenerView, PullRecord } from '../view/bench.ts';
import { targetOrNull } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { jobProgress, jobStage, openItems } from '../view/open-items.ts';
import type { Signature } from '../view/signatures.ts';

/** A tool as it was taken on a job. */
export type ToolTaken = {
  readonly tool: Tool;
  readonly chosenOn: string;
  readonly adapters: readonly MountedAdapter[];
  /** The groups it was taken for; null for all there are. */
  readonly groups: readonly string[] | null;
  readonly override: {
    readonly blocks: readonly ToolBlock[];
    readonly why: string;
    readonly by: string;
  } | null;
};

const toolStatement = ({ tool, chosenOn: onDate, adapters, override }: ToolTaken) => ({
  id: tool.id,
  code: tool.code,
  kind: tool.kind,
  toolClass: tool.toolClass,
  serial: tool.serial,
  limitPercent: tool.limitPercent,
  calibratedOn: tool.calibratedOn,
  calibrationDueOn: tool.calibrationDueOn,
  calibrationOverdue: isOverdue(tool, onDate),
  limitOf: tool.limitOf,
  adapters,
  override,
});

const stepStatement = ({ rule, gives, school, assumed }: DerivationStep) => ({
  rule,
  gives,
  school,
  assumed,
});

const pullStatement = ({ eventId, person, deviceTime, body, voided }: PullRecord) => ({
  event: eventId,
  by: person,
  at: deviceTime,
  method: body.method,
  toolId: body.toolId,
  setting: body.setting,
  reading: body.reading,
  torqueNewtonMetres: body.torqueNewtonMetres,
  targetNewtonMetres: body.targetNewtonMetres,
  lowNewtonMetres: body.lowNewtonMetres,
  highNewtonMetres: body.highNewtonMetres,
  standardUncertaintyNewtonMetres: body.standardUncertaintyNewtonMetres,
  outcome: body.outcome,
  probability: body.probability,
  voided,
});

const fastenerStatement = (job: JobView, fastener: FastenerView) => {
  const { planned, runOn, pulls, status, isWitnessMarked, leftOpen } = fastener;
  return {
    position: planned.position,
    label: planned.label,
    conductor: planned.details['conductor'] ?? '',
    requirement: planned.requirement,
    runOn,
    derivation: (targetOrNull(job, fastener)?.steps ?? []).map(stepStatement),
    status,
    witnessMarked: isWitnessMarked,
    leftOpen,
    pulls: pulls.map(pullStatement),
  };
};

const signatureStatement = ({ meaning, person, deviceTime }: Signature) => ({ meaning, person, deviceTime });

/** Version 1 of what a record states about a job in the form of a statement of conformity: everything follows from the events. Its form never
 *  changes again; records of jobs whose events are all of version 1 carry it.
 *  `tools` are all the tools chosen on it, `sealedAt` an ISO instant (its day decides nothing but whether a calibration was overdue when last chosen).
 *  Source: ISO/IEC 17025:2017, 7.8.6. */
export const jobStatement1 = (state: JobView, tools: readonly ToolTaken[]) => ({
  number: state.plan.number,
  title: state.plan.title,
  seenFrom: state.plan.groups[0]?.seenFrom ?? '',
  jobKind: state.plan.groups[0]?.kind.code ?? '',
  source: state.plan.source,
  schools: state.plan.schools,
  decisionRule: {
    rule: state.plan.schools.decisionRule,
    guardFactor: state.plan.schools.guardFactor,
  },
  stage: jobStage(state),
  progress: jobProgress(state),
  plannedBy: state.plannedBy,
  plannedAt: state.plannedAt,
  tools: tools.map(toolStatement),
  cautions: state.cautions,
  fasteners: state.fasteners.map((fastener) => fastenerStatement(state, fastener)),
  openItems: openItems(state),
  signatures: state.signatures.map(signatureStatement),
});

export type JobStatement1 = ReturnType<typeof jobStatement1>;
