import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import type { LogEntry } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { SchoolChanges } from './SchoolChanges.tsx';
import { SiteForm } from './SiteForm.tsx';
import { ThemeChoice } from './ThemeChoice.tsx';

type Props = {
  readonly site: Site;
  readonly people: readonly Person[];
  readonly person: Person;
  readonly theme: string;
  readonly changes: readonly LogEntry[];
};

/** What the site has chosen, who works here, and how this device looks. */
export const SettingsScreen = ({ site, people, person, theme, changes }: Props) => {
  const isLead = may(person, 'change-site');
  return (
    <div className="mx-auto grid max-w-7xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Settings</h1>
        <a href="/me" className="act-quiet">
          {person.name}: PIN, devices, sign out
        </a>
      </div>
      <div className="grid gap-4">
        <section className="panel p-4">
          <h2 className="mb-3 text-l font-bold">Site and schools</h2>
          {isLead ? (
            <SiteForm first={site} />
          ) : (
            <p>
              A lead chooses the site’s schools. This site: {site.name}, {unitSymbol(site.unit)}.
            </p>
          )}
        </section>
        <div className="grid items-start gap-4 lg:grid-cols-3">
          <div className="grid gap-4">
            <section className="panel p-4">
              <h2 className="mb-3 text-l font-bold">This device</h2>
              <ThemeChoice first={theme} />
            </section>
            <section className="panel grid gap-2 p-4">
              <h2 className="text-l font-bold">Kinds of joint</h2>
              <p>Their words, cautions, order and passes; a shop writes its own.</p>
              <a className="act-quiet justify-self-start" href="/settings/joints">
                See and write them
              </a>
            </section>
            <section className="panel grid gap-2 p-4">
              <h2 className="text-l font-bold">Records</h2>
              <p>The ledger proves itself, and a backup restores it with the same hashes.</p>
              <a className="act-quiet justify-self-start" href="/settings/keeping">
                Check and back up
              </a>
            </section>
          </div>
          <section className="panel p-4">
            <h2 className="mb-3 text-l font-bold">What was changed</h2>
            <SchoolChanges changes={changes} />
          </section>
          <section className="panel p-4">
            <h2 className="mb-3 text-l font-bold">People</h2>
            <ul className="mb-4">
              {people.map(({ id, name, role }) => (
                <li key={id} className="flex justify-between border-b border-rule py-2">
                  <strong>{name}</strong> {role}
                </li>
              ))}
            </ul>
            {isLead ? (
              <a className="act" href="/settings/people">
                Invite, change, sign out
              </a>
            ) : (
              <p className="text-faint">A lead invites people.</p>
            )}
          </section>
        </div>
      </div>
    </div>
  );
};
