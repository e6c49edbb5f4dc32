import { expose } from 'comlink';
import { matchMemory } from '#core/command/match-memory.ts';
import { memoryReadings, memoryTable, suggestedMapping } from '#core/device/memory-table.ts';

const face = {
  table: memoryTable,
  suggested: suggestedMapping,
  readings: memoryReadings,
  match: matchMemory,
};
export type MemoryFace = typeof face;

expose(face);
