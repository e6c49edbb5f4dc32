/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    person: import('#core/job/event.ts').Person | null;
  }
}
