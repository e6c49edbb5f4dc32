/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    person: import('#core/people/person.ts').Person | null;
    /** Since when that person is signed in on this device. */
    signedInAt: string | null;
  }
}
