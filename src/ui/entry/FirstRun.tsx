import { call } from '#client/api.ts';
import { OPERATIONS } from '#wire/api.ts';
import { PersonForm } from './PersonForm.tsx';

/** The first page of an empty site: makes its first person, a lead, and signs them in. */
export const FirstRun = () => (
  <PersonForm
    onAdded={async ({ id }, pin) => {
      const answer = await call(OPERATIONS.signIn, { personId: id, pin });
      window.location.assign(answer.ok ? '/tools' : '/sign-in');
    }}
  />
);
