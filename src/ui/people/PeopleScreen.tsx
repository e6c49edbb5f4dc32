import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { type Members, PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import type { Token } from '#wire/token.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { timeHere } from '../kit/time/here.ts';
import { AddMember } from './AddMember.tsx';
import { InviteDialog } from './InviteDialog.tsx';
import { MemberRow } from './MemberRow.tsx';
import { SiteCode } from './SiteCode.tsx';
import { TokensPanel } from './TokensPanel.tsx';
import { usePeople } from './use-people.ts';

type Props = {
  readonly first: Members;
  readonly tokens: readonly Token[];
  readonly me: Person;
  /** The address of the site. */
  readonly address: string;
};

/** Who works here: adding and inviting, roles, leaving, sessions; the programs that ask; and from where wrong PINs came. */
export const PeopleScreen = ({ first, tokens, me, address: site }: Props) => {
  const people = usePeople(first);
  const { members, addresses } = people.members;
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">People</h1>
        <div className="flex flex-wrap gap-2">
          <SiteCode address={site} />
          <a href="/settings" className="act-quiet">
            Settings
          </a>
        </div>
      </div>
      <ProblemNotice problem={people.problem} />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
        <section className="panel p-4 max-lg:order-2">
          <h2 className="text-l font-bold">Who works here</h2>
          <ul>
            {members.map((member) => (
              <MemberRow key={member.person.id} member={member} me={me} people={people} />
            ))}
          </ul>
        </section>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-4 max-lg:contents">
          <section className="panel grid gap-3 p-4 max-lg:order-1">
            <h2 className="text-l font-bold">Bring somebody in</h2>
            <AddMember onAdded={people.invite} />
          </section>
          {addresses.length > 0 && (
            <section className="panel grid gap-2 p-4 max-lg:order-3" data-testid="tried">
              <h2 className="text-l font-bold">Wrong PINs on new devices</h2>
              <p className="text-s">
                A device on which somebody has signed in before is never kept out by these.
              </p>
              <ul>
                {addresses.map(({ address, wrong, lastAt, waitSeconds }) => (
                  <li
                    key={address}
                    className="flex flex-wrap justify-between gap-2 border-b border-rule py-2"
                  >
                    <div>
                      <strong className="font-mono">{address}</strong> {wrong} wrong
                      <div className="text-s text-faint">
                        last {lastAt === null ? '' : timeHere(lastAt)}
                        {waitSeconds > 0 && '; new devices there wait'}
                      </div>
                    </div>
                    <button
                      type="button"
                      className="act-quiet"
                      onClick={() => void people.after(call(PEOPLE_OPERATIONS.openAddress, { address }))}
                    >
                      Forget them
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <div className="max-lg:order-4">
            <TokensPanel first={tokens} />
          </div>
        </div>
      </div>
      {people.invited && <InviteDialog {...people.invited} onClose={people.closeInvitation} />}
    </div>
  );
};
