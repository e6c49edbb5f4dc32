import type { MountedAdapter } from '../adapter/adapter.ts';
import { jobProgress, jobStage, openItems } from '../job/open-items.ts';
import type { FastenerState, JobState, PullRecord } from '../job/state.ts';
import type { DerivationStep } from '../target/derivation.ts';
import { isOverdue, type Tool } from '../tool/tool.ts';
import type { ToolBlock } from '../tool/tool-standing.ts';

/** A tool as it was taken on a job. */
export type ToolTaken = {
  readonly tool: Tool;
  readonly chosenOn: string;
  readonly adapters: readonly MountedAdapter[];
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

const fastenerStatement = ({
  planned,
  target,
  runOn,
  pulls,
  status,
  isWitnessMarked,
  leftOpen,
}: FastenerState) => ({
  position: planned.position,
  label: planned.label,
  conductor: planned.conductor,
  requirement: planned.requirement,
  runOn,
  derivation: target.steps.map(stepStatement),
  status,
  witnessMarked: isWitnessMarked,
  leftOpen,
  pulls: pulls.map(pullStatement),
});

/** What a record states about a job in the form of a statement of conformity: everything follows from the events.
 *  `tools` are all the tools chosen on it, `sealedAt` an ISO instant (its day decides nothing but whether a calibration was overdue when last chosen).
 *  Source: ISO/IEC 17025:2017, 7.8.6. */
export const jobStatement = (state: JobState, tools: readonly ToolTaken[]) => ({
  number: state.plan.number,
  title: state.plan.title,
  seenFrom: state.plan.seenFrom,
  jobKind: state.plan.jobKind,
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
  fasteners: state.fasteners.map(fastenerStatement),
  openItems: openItems(state),
  signatures: state.signatures,
});

export type JobStatement = ReturnType<typeof jobStatement>;
