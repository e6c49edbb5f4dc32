import { accepted, type Result, refused } from '../result.ts';
import type { Person, Role } from './person.ts';

const ALL: readonly Role[] = ['technician', 'inspector', 'lead'];
const CHECKERS: readonly Role[] = ['inspector', 'lead'];
const LEADS: readonly Role[] = ['lead'];

/** Everything that somebody may or may not do, with who may. The one place that decides it. */
export const ROLES_FOR = {
  see: ALL,
  'plan-job': ALL,
  'work-on-job': ALL,
  'override-tool': LEADS,
  'leave-step': LEADS,
  'sign-done': ALL,
  'sign-inspected': CHECKERS,
  'reopen-job': CHECKERS,
  'move-rules': LEADS,
  'accept-gap': LEADS,
  'check-fastener': ALL,
  'write-book': ALL,
  'change-source-status': LEADS,
  'rename-source': LEADS,
  'withdraw-others': LEADS,
  'decide-conflict': LEADS,
  'attach-file': ALL,
  'report-tool': ALL,
  'check-tool': ALL,
  'calibrate-tool': CHECKERS,
  'release-quarantine': CHECKERS,
  'keep-narrowed': LEADS,
  'add-tool': LEADS,
  'lend-or-retire-tool': LEADS,
  'decide-recall': LEADS,
  'change-site': LEADS,
  'add-person': LEADS,
  'manage-people': LEADS,
  'make-token': LEADS,
  'own-account': ALL,
  'check-ledger': LEADS,
  'back-up': LEADS,
} as const satisfies Record<string, readonly Role[]>;

export type Action = keyof typeof ROLES_FOR;

export type RightRefusal = { readonly code: 'role-may-not'; readonly needed: Exclude<Role, 'technician'> };

/** Whether a person may do something, by their role. */
export const may = ({ role }: Pick<Person, 'role'>, action: Action): boolean =>
  (ROLES_FOR[action] as readonly Role[]).includes(role);

/** The person, where they may. Refuses: role-may-not, with the least role that may. */
export const whoMay = <P extends Pick<Person, 'role'>>(person: P, action: Action): Result<P, RightRefusal> =>
  may(person, action)
    ? accepted(person)
    : refused({ code: 'role-may-not', needed: ROLES_FOR[action][0] === 'lead' ? 'lead' : 'inspector' });
