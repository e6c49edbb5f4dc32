import { useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { type MemberStanding, PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { timeHere } from '../kit/time/here.ts';
import { WhyDialog } from '../kit/WhyDialog.tsx';
import { NewPinDialog } from './NewPinDialog.tsx';
import { RoleDialog } from './RoleDialog.tsx';
import type { usePeople } from './use-people.ts';

type People = ReturnType<typeof usePeople>;

/** How somebody stands, in words. */
const standingWords = ({ leftAt, hasPin, isPinShort, sessions, seenAt }: MemberStanding): string => {
  if (leftAt !== null) return `left ${timeHere(leftAt)}`;
  if (!hasPin) return 'has no PIN yet: invite them';
  const where =
    sessions === 0
      ? 'not signed in'
      : `signed in on ${sessions} ${sessions === 1 ? 'device' : 'devices'}, last at ${seenAt === null ? '' : timeHere(seenAt)}`;
  return isPinShort ? `${where}; PIN shorter than the site asks` : where;
};

type Props = { readonly member: MemberStanding; readonly me: Person; readonly people: People };

/** One person, and what a lead does about them. */
export const MemberRow = ({ member, me, people: { after, invite } }: Props) => {
  const [asked, setAsked] = useState<'pin' | 'role' | 'leave' | null>(null);
  const { person, leftAt, hasPin, sessions, strangersWaitSeconds } = member;
  const { id, name, role } = person;
  const params = { person: id };
  const close = (): void => setAsked(null);
  return (
    <li className="grid gap-2 border-b border-rule py-3 last:border-0" data-testid="member">
      <div>
        <strong className={leftAt === null ? 'text-l wrap-anywhere' : 'text-l wrap-anywhere text-faint'}>
          {name}
        </strong>{' '}
        {role}
        {id === me.id && ' (you)'}
        <div className={hasPin || leftAt !== null ? 'text-s text-faint' : 'text-s font-bold text-low'}>
          {standingWords(member)}
        </div>
        {strangersWaitSeconds > 0 && (
          <div className="text-s font-bold text-high">
            Wrong PINs were tried for {name} from many places: new devices wait.
          </div>
        )}
      </div>
      <div className="flex flex-wrap gap-2">
        {leftAt === null && id !== me.id && (
          <button
            type="button"
            className="act-quiet"
            onClick={() => (hasPin ? setAsked('pin') : void invite(person))}
          >
            {hasPin ? 'New PIN…' : 'Invite'}
          </button>
        )}
        {leftAt === null && (
          <button type="button" className="act-quiet" onClick={() => setAsked('role')}>
            Role…
          </button>
        )}
        {sessions > 0 && id !== me.id && (
          <button
            type="button"
            className="act-quiet"
            onClick={() => void after(call(PEOPLE_OPERATIONS.endSessionsOf, undefined, params))}
          >
            Sign out everywhere
          </button>
        )}
        {strangersWaitSeconds > 0 && (
          <button
            type="button"
            className="act-quiet"
            onClick={() => void after(call(PEOPLE_OPERATIONS.unlock, undefined, params))}
          >
            Let new devices in again
          </button>
        )}
        {id !== me.id && leftAt === null && (
          <button type="button" className="act-quiet" onClick={() => setAsked('leave')}>
            Leaves…
          </button>
        )}
        {leftAt !== null && (
          <button
            type="button"
            className="act-quiet"
            onClick={() => void after(call(PEOPLE_OPERATIONS.comeBack, undefined, params))}
          >
            Is back
          </button>
        )}
      </div>
      {asked === 'pin' && (
        <NewPinDialog
          person={person}
          onYes={() => {
            close();
            void invite(person);
          }}
          onClose={close}
        />
      )}
      {asked === 'role' && <RoleDialog person={person} after={after} onClose={close} />}
      {asked === 'leave' && (
        <WhyDialog
          title={`${name} leaves`}
          explanation={`${name} is signed out everywhere and signs in no more. Everything they did stays in the records under their name.`}
          action={`${name} leaves`}
          usual={['Works elsewhere now', 'Was here for one job']}
          onDone={(why) => void after(call(PEOPLE_OPERATIONS.leave, { why }, params)).then(close)}
          onClose={close}
        />
      )}
    </li>
  );
};
