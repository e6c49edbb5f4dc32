import type { MemoryMatch } from '#core/command/match-memory.ts';
import type { MemoryFault, MemoryRefusal } from '#core/device/memory-table.ts';

/** How a reading of a memory was matched. */
export const MEMORY_MATCH_WORDS: Readonly<Record<MemoryMatch['kind'], string>> = {
  'in-order': 'in order',
  again: 'again, after a low one',
  'left-out': 'left out, as you said',
  recorded: 'in the record already',
  outside: 'not of the time of this job',
  'other-unit': 'in another unit than the tool has on the Plan',
  unlike: 'like no fastener that is next: look at it',
  over: 'nothing is waited for any more',
};

/** What is wrong with a line of a memory. */
export const MEMORY_FAULT_WORDS: Readonly<Record<MemoryFault['code'], string>> = {
  'no-time': 'no time that can be read',
  'no-torque': 'no torque, or a comma that may stand before decimals or after thousands',
  'no-unit': 'no unit that is known, or two that differ',
  'no-angle': 'an angle that can’t be read',
  doubled: 'the same line as one before: it counts once',
};

/** Why a memory was not read, and what to do. */
export const memoryRefusalWords = (refusal: MemoryRefusal): string => {
  switch (refusal.code) {
    case 'memory-too-large':
      return `The file is too large: at most ${refusal.most.toLocaleString('en')} lines are read at once. Cut it by days.`;
    case 'memory-empty':
      return 'There are no readings in the file. Its first line names the columns, the others are the readings, with two columns at least.';
    case 'memory-columns-repeated':
      return `Two columns are called “${refusal.column}”. Name one of them otherwise.`;
  }
};

/** A count with its noun. */
export const counted = (count: number, one: string, many: string): string =>
  `${count} ${count === 1 ? one : many}`;
