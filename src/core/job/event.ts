import type { MountedAdapter } from '../adapter/adapter.ts';
import type { BookRequirement } from '../book/book-requirement.ts';
import type { Conditions } from '../requirement/conditions.ts';
import type { Requirement } from '../requirement/requirement.ts';
import type { Schools } from '../target/schools.ts';
import type { Tool } from '../tool/tool.ts';
import type { ToolBlock } from '../tool/tool-standing.ts';
import type { WrittenTorque } from '../torque/torque.ts';
import type { TorqueUnit } from '../torque/unit.ts';
import type { Outcome } from '../verdict/tightening-verdict.ts';
import type { CautionId, JobKind } from './cautions.ts';

/** Version of the event form; checked wherever events are read back. */
export const EVENT_SCHEMA_VERSION = 1;

export const ROLES = ['technician', 'inspector', 'lead'] as const;
export type Role = (typeof ROLES)[number];

/** Who did it, as they were named and entitled at the time. */
export type Person = { readonly id: string; readonly name: string; readonly role: Role };

export const DRIVES = ['slot', 'cross', 'hex-socket', 'square', 'lobed', 'hex-head'] as const;
/** What the bit or socket engages. */
export type Drive = (typeof DRIVES)[number];

/** A requirement on the job: as printed, and as a person settled it where the print was in doubt. */
export type PlannedRequirement = {
  readonly printed: string;
  /** What a person read it as; null when the print speaks for itself. */
  readonly readAs: string | null;
  readonly requirement: Requirement;
  /** What the spec book said when it was taken from there; null where it stands only in the job's own list. */
  readonly book: BookReference | null;
};

/** A requirement or a table row of the spec book, at the revision that was used. It stays with the job whatever becomes of the book. */
export type BookReference = {
  readonly kind: 'requirement' | 'table';
  readonly id: string;
  /** `R-12`, or the table's name. */
  readonly code: string;
  readonly revision: number;
  readonly sourceId: string;
  readonly source: RequirementSource;
  readonly otherPart: BookRequirement['otherPart'];
  readonly conditions: Conditions;
  readonly isPartSofter: boolean;
  /** The decision for this requirement where sources disagree; null where none was needed or made. */
  readonly decided: { readonly why: string; readonly by: string } | null;
};

export type PlannedFastener = {
  readonly position: string;
  readonly label: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly conductor: string;
  readonly drive: Drive;
  /** Whether the list named no drive and a slot was assumed. */
  readonly driveAssumed: boolean;
  readonly requirement: PlannedRequirement;
};

/** Where the requirements were found: the document, its revision, and the place in it. */
export type RequirementSource = {
  readonly title: string;
  readonly revision: string;
  readonly place: string;
};

export type JobPlan = {
  readonly number: string;
  readonly title: string;
  /** From where the drawing is seen, such as "from the door". */
  readonly seenFrom: string;
  readonly jobKind: JobKind;
  readonly source: RequirementSource;
  readonly siteUnit: TorqueUnit;
  readonly schools: Schools;
  /** In the order they are to be tightened. */
  readonly fasteners: readonly PlannedFastener[];
};

export const PULL_METHODS = ['click', 'reading', 'over-shot', 'by-feel'] as const;
export type PullMethod = (typeof PULL_METHODS)[number];

/** One application of torque to one fastener, with the verdict as it was given. Torques in newton metres, rounded to 1e-6. */
export type PullBody = {
  readonly position: string;
  readonly pass: number;
  readonly method: PullMethod;
  /** Null for a pull by feel. */
  readonly toolId: string | null;
  readonly setting: WrittenTorque | null;
  readonly reading: WrittenTorque | null;
  /** Whether the person was asked about a likely mix-up of units and said that the reading stands. */
  readonly readingStands: boolean;
  readonly targetNewtonMetres: number;
  readonly lowNewtonMetres: number;
  readonly highNewtonMetres: number;
  /** What reached the fastener, through the adapters; null for a pull without a reading. */
  readonly torqueNewtonMetres: number | null;
  readonly standardUncertaintyNewtonMetres: number | null;
  readonly outcome: Outcome;
  /** Rounded to four decimals; null where there is no reading to judge. */
  readonly probability: number | null;
};

export const SIGNATURE_MEANINGS = ['done', 'inspected'] as const;
export type SignatureMeaning = (typeof SIGNATURE_MEANINGS)[number];

/** What can happen to a job. */
export type JobHappening =
  | { readonly kind: 'job-planned'; readonly body: JobPlan }
  | {
      readonly kind: 'tool-chosen';
      readonly body: {
        readonly tool: Tool;
        /** What is put between the tool and the fasteners, from the tool outwards. */
        readonly adapters: readonly MountedAdapter[];
        /** What stands against the tool on the day; none of it may, but by override. */
        readonly blocks: readonly ToolBlock[];
        /** Why a lead lets it be used all the same; null where nothing stands against it. */
        readonly override: string | null;
      };
    }
  | { readonly kind: 'cautions-confirmed'; readonly body: { readonly cautions: readonly CautionId[] } }
  | { readonly kind: 'tool-set'; readonly body: { readonly toolId: string; readonly setting: WrittenTorque } }
  | { readonly kind: 'pull-made'; readonly body: PullBody }
  | { readonly kind: 'pull-voided'; readonly body: { readonly pullId: string; readonly why: string } }
  | { readonly kind: 'fastener-loosened'; readonly body: { readonly position: string } }
  | { readonly kind: 'witness-marked'; readonly body: { readonly position: string } }
  | { readonly kind: 'left-open'; readonly body: { readonly position: string; readonly why: string } }
  | {
      readonly kind: 'requirement-moved';
      readonly body: {
        readonly position: string;
        readonly requirement: PlannedRequirement;
        readonly why: string;
      };
    }
  | {
      readonly kind: 'run-on-measured';
      readonly body: { readonly position: string; readonly torque: WrittenTorque };
    }
  | { readonly kind: 'job-signed'; readonly body: { readonly meaning: SignatureMeaning } }
  | { readonly kind: 'job-reopened'; readonly body: { readonly why: string } };

/** An event before the server has placed it in the chain. */
export type UnplacedEvent = {
  readonly schemaVersion: number;
  /** UUIDv7 (RFC 9562), made where it happened. */
  readonly id: string;
  readonly job: string;
  /** ISO 8601 UTC instant by the device's clock. */
  readonly deviceTime: string;
  readonly person: Person;
} & JobHappening;

/** An event from who, when and what; the id and the time come from where it happened. */
export const unplacedEvent = (
  at: { readonly id: string; readonly job: string; readonly deviceTime: string; readonly person: Person },
  happening: JobHappening,
): UnplacedEvent => ({ schemaVersion: EVENT_SCHEMA_VERSION, ...at, ...happening });

/** The events of one kind. */
export type EventOf<K extends JobHappening['kind']> = Extract<UnplacedEvent, { readonly kind: K }>;

/** An event in its place in the job's chain. */
export type JobEvent = UnplacedEvent & {
  /** Counts from 1 within the job. */
  readonly sequence: number;
  readonly serverTime: string;
  readonly previousHash: string;
  readonly hash: string;
};
