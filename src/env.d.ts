/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** The request as it came over the connection, its body not yet read. */
    readonly incoming: import('node:http').IncomingMessage;
    /** From where it came. */
    knock: import('#server/knock.ts').Knock;
    person: import('#core/people/person.ts').Person | null;
    /** What the token of a program is good for; null where a person asks. */
    scope: import('#wire/token.ts').TokenScope | null;
    /** Since when that person is signed in on this device. */
    signedInAt: string | null;
    /** Whether what they showed still lets them in: what goes on for long asks again. */
    isStillKnown: () => Promise<boolean>;
  }
}
