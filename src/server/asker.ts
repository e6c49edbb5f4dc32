import type { Person } from '#core/people/person.ts';

/** The person whom the site answers: signed in, and entitled as the site knows them, whatever they say of themselves. */
export type Asker = Person;
