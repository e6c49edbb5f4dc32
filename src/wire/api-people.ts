import { z } from 'zod';
import { instantSchema, whySchema } from '#core/bounds.ts';
import { personSchema, ROLES } from '#core/people/person.ts';
import { NOTHING, operation } from './operation.ts';
import { enteredSchema, newPersonSchema, pinSchema } from './person.ts';
import { madeTokenSchema, newTokenSchema, tokenSchema } from './token.ts';

/** Somebody who works or worked here, as a lead sees them. */
export const memberSchema = z.strictObject({
  person: personSchema,
  leftAt: instantSchema.nullable(),
  hasPin: z.boolean(),
  /** Whether their PIN is shorter than the site asks for. */
  isPinShort: z.boolean(),
  /** On how many devices they are signed in. */
  sessions: z.int(),
  seenAt: instantSchema.nullable(),
  /** For how many seconds no stranger's device is let in for them; 0 where one is. */
  strangersWaitSeconds: z.int(),
});
export type MemberStanding = Readonly<z.infer<typeof memberSchema>>;

/** An address from which wrong PINs came. */
export const triedAddressSchema = z.strictObject({
  address: z.string(),
  wrong: z.int(),
  lastAt: instantSchema.nullable(),
  waitSeconds: z.number(),
});

/** Everyone who works or worked here, and where wrong PINs came from. */
export const membersSchema = z.strictObject({
  members: z.array(memberSchema),
  addresses: z.array(triedAddressSchema),
});
export type Members = Readonly<z.infer<typeof membersSchema>>;

/** A session as its person sees it. */
export const shownSessionSchema = z.strictObject({
  id: z.uuid(),
  address: z.string(),
  agent: z.string(),
  since: instantSchema,
  seenAt: instantSchema,
  isThis: z.boolean(),
});
export type SessionShown = Readonly<z.infer<typeof shownSessionSchema>>;

/** A code with which a person chooses their PIN, and the address that takes a telephone there. */
export const invitationSchema = z.strictObject({
  code: z.string(),
  address: z.string(),
  expiresAt: instantSchema,
});
export type Invitation = Readonly<z.infer<typeof invitationSchema>>;

const codeSchema = z.string().trim().min(1).max(40);

export const PEOPLE_OPERATIONS = {
  listPeople: operation({
    method: 'GET',
    path: '/api/v1/people',
    summary: 'Everyone who can sign in',
    who: 'anyone',
    request: NOTHING,
    response: z.array(personSchema),
  }),
  addPerson: operation({
    method: 'POST',
    path: '/api/v1/people',
    summary: 'Add a person; on an empty site, the first',
    who: 'anyone',
    also: ['add-person'],
    request: newPersonSchema,
    response: personSchema,
  }),
  signIn: operation({
    method: 'POST',
    path: '/api/v1/sessions',
    summary: 'Sign in with a PIN',
    who: 'anyone',
    request: z.strictObject({ personId: z.uuid(), pin: pinSchema }),
    response: enteredSchema,
  }),
  signOut: operation({
    method: 'DELETE',
    path: '/api/v1/sessions',
    summary: 'Sign out',
    who: 'anyone',
    request: NOTHING,
    response: z.null(),
  }),
  members: operation({
    method: 'GET',
    path: '/api/v1/people/members',
    summary:
      'Everyone who works or worked here, with what a lead must know: PINs, sessions, and from where wrong PINs came',
    who: 'manage-people',
    request: NOTHING,
    response: membersSchema,
  }),
  changeRole: operation({
    method: 'PUT',
    path: '/api/v1/people/{person}/role',
    summary: 'Change what a person may do, with a reason',
    who: 'manage-people',
    request: z.strictObject({ role: z.enum(ROLES), why: whySchema }),
    response: personSchema,
  }),
  leave: operation({
    method: 'POST',
    path: '/api/v1/people/{person}/leaving',
    summary: 'A person leaves: signs in no more, and stays in the records',
    who: 'manage-people',
    request: z.strictObject({ why: whySchema }),
    response: personSchema,
  }),
  comeBack: operation({
    method: 'DELETE',
    path: '/api/v1/people/{person}/leaving',
    summary: 'A person who left is back; they choose a PIN by an invitation',
    who: 'manage-people',
    request: NOTHING,
    response: personSchema,
  }),
  invite: operation({
    method: 'POST',
    path: '/api/v1/people/{person}/invitations',
    summary:
      'Invite a person to choose their PIN: a code that works once, for half an hour. A PIN that they had works no more',
    who: 'manage-people',
    request: NOTHING,
    response: invitationSchema,
  }),
  invited: operation({
    method: 'POST',
    path: '/api/v1/invitations/look',
    summary: 'Whom an invitation is for, and what their PIN must be',
    who: 'anyone',
    request: z.strictObject({ code: codeSchema }),
    response: z.strictObject({ name: z.string(), pinDigits: z.int() }),
  }),
  join: operation({
    method: 'POST',
    path: '/api/v1/invitations/accept',
    summary: 'Choose a PIN by an invitation, and be signed in on this device',
    who: 'anyone',
    request: z.strictObject({ code: codeSchema, pin: pinSchema }),
    response: enteredSchema,
  }),
  endSessionsOf: operation({
    method: 'DELETE',
    path: '/api/v1/people/{person}/sessions',
    summary: 'End every session of a person',
    who: 'manage-people',
    request: NOTHING,
    response: z.null(),
  }),
  unlock: operation({
    method: 'DELETE',
    path: '/api/v1/people/{person}/tries',
    summary: 'Let new devices sign in as a person again at once, whatever was tried',
    who: 'manage-people',
    request: NOTHING,
    response: z.null(),
  }),
  openAddress: operation({
    method: 'POST',
    path: '/api/v1/people/tries/forget',
    summary: 'Let new devices at an address sign in again at once, whatever was tried there',
    who: 'manage-people',
    request: z.strictObject({
      address: z.string().regex(/^[\x21-\x7e]{1,64}$/, 'an address as it stands in the list'),
    }),
    response: z.null(),
  }),
  changePin: operation({
    method: 'PUT',
    path: '/api/v1/me/pin',
    summary: 'Change your PIN; your other sessions end',
    who: 'own-account',
    request: z.strictObject({ pin: pinSchema, newPin: pinSchema }),
    response: z.null(),
  }),
  ownSessions: operation({
    method: 'GET',
    path: '/api/v1/me/sessions',
    summary: 'Where you are signed in',
    who: 'own-account',
    request: NOTHING,
    response: z.array(shownSessionSchema),
  }),
  endSession: operation({
    method: 'DELETE',
    path: '/api/v1/me/sessions/{session}',
    summary: 'End one of your sessions',
    who: 'own-account',
    request: NOTHING,
    response: z.null(),
  }),
  endOtherSessions: operation({
    method: 'DELETE',
    path: '/api/v1/me/sessions',
    summary: 'End every session of yours but this one',
    who: 'own-account',
    request: NOTHING,
    response: z.null(),
  }),
  calendarStanding: operation({
    method: 'GET',
    path: '/api/v1/me/calendar',
    summary: 'Whether you have an address for calendars, and when one last asked',
    who: 'own-account',
    request: NOTHING,
    response: z.strictObject({ madeAt: instantSchema, usedAt: instantSchema.nullable() }).nullable(),
  }),
  makeCalendar: operation({
    method: 'POST',
    path: '/api/v1/me/calendar',
    summary: 'A new address for your calendars, shown this once; the one before works no more',
    who: 'own-account',
    request: NOTHING,
    response: z.strictObject({ address: z.string() }),
  }),
  revokeCalendar: operation({
    method: 'DELETE',
    path: '/api/v1/me/calendar',
    summary: 'Your address for calendars works no more',
    who: 'own-account',
    request: NOTHING,
    response: z.null(),
  }),
  listTokens: operation({
    method: 'GET',
    path: '/api/v1/tokens',
    summary: 'The tokens that programs ask with, without their secrets',
    who: 'make-token',
    request: NOTHING,
    response: z.array(tokenSchema),
  }),
  makeToken: operation({
    method: 'POST',
    path: '/api/v1/tokens',
    summary: 'Make a token for a program; its secret is shown this once',
    who: 'make-token',
    request: newTokenSchema,
    response: madeTokenSchema,
  }),
  revokeToken: operation({
    method: 'DELETE',
    path: '/api/v1/tokens/{token}',
    summary: 'A token works no more; the program stays in the records',
    who: 'make-token',
    request: NOTHING,
    response: z.null(),
  }),
} as const;
