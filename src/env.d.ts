/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** The request as it came over the connection, its body not yet read. */
    readonly incoming: import('node:http').IncomingMessage;
    person: import('#core/people/person.ts').Person | null;
    /** Since when that person is signed in on this device. */
    signedInAt: string | null;
  }
}
