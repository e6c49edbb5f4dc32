import { type Action, may } from '#core/people/may.ts';
import { ROLES } from '#core/people/person.ts';
import { OPERATIONS } from './api.ts';
import { mayProgram, type Operation } from './operation.ts';
import { TOKEN_SCOPES } from './token.ts';

/** What an action is called where it is only a part of what an operation takes. */
const PART_WORDS: Partial<Record<Action, string>> = {
  'override-tool': 'a tool that something stands against, used all the same',
  'reopen-job': 'a signed job opened again',
  'move-rules': 'a job moved to other rules',
  'check-fastener': 'a check or a settling reading',
  'sign-inspected': 'as inspected',
  'change-source-status': 'superseding or withdrawing it',
  'rename-source': 'another title, number, revision or kind',
  'withdraw-others': 'withdrawing what another wrote',
  'release-quarantine': 'a tool in quarantine released by it',
  'keep-narrowed': 'a tool kept for the part of its range where it is right',
  'lend-or-retire-tool': 'lending or retiring it',
  'calibrate-tool': 'a full session, not a cross-check',
  'add-person': 'on a site that has people',
};

const cell = (isAllowed: boolean): string => (isAllowed ? 'yes' : 'no');
const roles = (action: Action): readonly string[] => ROLES.map((role) => cell(may({ role }, action)));
const row = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;

const rowsOf = (name: string, operation: Operation): readonly string[] => {
  const { method, path, summary, who, also = [] } = operation;
  return [
    row([
      `\`${method} ${path}\``,
      name,
      summary,
      ...(who === 'anyone' ? ['yes', 'yes', 'yes', 'yes'] : ['no', ...roles(who)]),
      ...TOKEN_SCOPES.map((scope) => cell(mayProgram(operation, scope))),
    ]),
    ...also.map((action) =>
      row([
        '',
        '',
        `… ${PART_WORDS[action] ?? action}`,
        'no',
        ...roles(action),
        // A program is a technician in what its token is good for.
        ...TOKEN_SCOPES.map((scope) =>
          cell(mayProgram(operation, scope) && may({ role: 'technician' }, action)),
        ),
      ]),
    ),
  ];
};

/** Who may do what, as docs/rights.md says it: every operation by role. It follows from the operations and from `may`. */
export const rightsText = (): string =>
  `${[
    '# Who may do what',
    '',
    'Every operation by who asks, written by `npm run rights` from `src/wire/api*.ts` and `src/core/people/may.ts`; each cell is tested. A line that begins',
    'with … is a part of what the operation above it takes. Nobody is whoever is not signed in; a program asks with a token (`Authorization: Bearer …`) of one scope.',
    '',
    row([
      'operation',
      'name',
      'what it does',
      'nobody',
      ...ROLES,
      ...TOKEN_SCOPES.map((scope) => `token: ${scope}`),
    ]),
    row(['---', '---', '---', '---', ...ROLES.map(() => '---'), ...TOKEN_SCOPES.map(() => '---')]),
    ...Object.entries(OPERATIONS).flatMap(([name, operation]) => rowsOf(name, operation)),
  ].join('\n')}\n`;
