import { useEffect, useMemo, useRef, useState } from 'react';
import { keepMapping, keptMapping } from '#client/device/memory-mappings.ts';
import { type MemoryRecorded, recordMemory } from '#client/job/record-memory.ts';
import {
  awaitedPulls,
  type MatchedReading,
  type MemoryChoice,
  recordedReadings,
  unmetPulls,
} from '#core/command/match-memory.ts';
import type {
  MemoryFault,
  MemoryMapping,
  MemoryReading,
  MemoryRefusal,
  MemoryTable,
} from '#core/device/memory-table.ts';
import type { Tool } from '#core/tool/tool.ts';
import { type MemoryReader, startMemoryReader } from '../../../workers/memory.ts';
import type { OpenJob } from '../use-job.ts';

type Read = {
  readonly name: string;
  readonly table: MemoryTable;
  readonly mapping: MemoryMapping;
  readonly isKept: boolean;
};
type Readings = { readonly readings: readonly MemoryReading[]; readonly faults: readonly MemoryFault[] };

const NOTHING: Readings = { readings: [], faults: [] };

/** A tool's clock may be so far ahead of ours. */
const AHEAD_MS = 15 * 60_000;

/** The memory of a tool on a job: read by a worker, matched, looked through, recorded. */
export const useMemory = (job: OpenJob, tool: Tool | null) => {
  const reader = useRef<MemoryReader | null>(null);
  const [read, setRead] = useState<Read | null>(null);
  const [refusal, setRefusal] = useState<MemoryRefusal | 'worker' | null>(null);
  const [told, setTold] = useState<Readings>(NOTHING);
  const [matched, setMatched] = useState<readonly MatchedReading[]>([]);
  const [choices, setChoices] = useState<ReadonlyMap<number, MemoryChoice>>(new Map());
  const [progress, setProgress] = useState<{ readonly done: number; readonly total: number } | null>(null);
  const [recorded, setRecorded] = useState<MemoryRecorded | null>(null);
  const isOver = useRef(false);
  useEffect(() => {
    reader.current = startMemoryReader(() => setRefusal('worker'));
    isOver.current = false;
    return () => {
      isOver.current = true;
      reader.current?.end();
    };
  }, []);

  const load = async (file: File): Promise<void> => {
    const face = reader.current?.face;
    if (!face) return;
    setRecorded(null);
    setChoices(new Map());
    const table = await face.table(await file.text());
    if (!table.ok) {
      setRead(null);
      setRefusal(table.refusal);
      return;
    }
    setRefusal(null);
    const kept = keptMapping(table.value);
    const mapping = kept ?? (await face.suggested(table.value, -new Date().getTimezoneOffset()));
    setRead({ name: file.name, table: table.value, mapping, isKept: kept !== null });
  };

  useEffect(() => {
    if (!read) return;
    let isLate = false;
    void reader.current?.face.readings(read.table, read.mapping).then((now) => {
      if (!isLate) setTold(now);
    });
    return () => {
      isLate = true;
    };
  }, [read]);

  const { view } = job;
  const hasNumbers = read?.mapping.number !== null;
  const isRecording = progress !== null;
  const awaited = useMemo(
    () => (tool && !isRecording ? awaitedPulls(view, tool) : []),
    [view, tool, isRecording],
  );
  useEffect(() => {
    if (!tool || isRecording) return;
    let isLate = false;
    const since = Date.parse(view.plannedAt);
    const asked = {
      readings: told.readings,
      awaited,
      unit: tool.scale.unit,
      since,
      until: Date.now() + AHEAD_MS,
    };
    void reader.current?.face
      .match({ ...asked, recorded: recordedReadings(view, tool, hasNumbers), choices })
      .then((now) => {
        if (!isLate) setMatched(now);
      });
    return () => {
      isLate = true;
    };
  }, [told, awaited, choices, tool, view, isRecording, hasNumbers]);

  return {
    read,
    refusal,
    ...told,
    matched,
    unmet: useMemo(() => unmetPulls(awaited, matched), [awaited, matched]),
    progress,
    recorded,
    load,
    map: (part: Partial<MemoryMapping>) => {
      if (!read) return;
      const mapping = { ...read.mapping, ...part };
      keepMapping(read.table, mapping);
      setRead({ ...read, mapping });
    },
    choose: (line: number, choice: MemoryChoice | null) => {
      const next = new Map(choices);
      if (choice) next.set(line, choice);
      else next.delete(line);
      setChoices(next);
    },
    record: async (): Promise<void> => {
      if (!tool || !read) return;
      keepMapping(read.table, read.mapping);
      setProgress({ done: 0, total: matched.filter(({ match }) => 'awaited' in match).length });
      const came = await recordMemory({
        job: job.store,
        tool,
        matched,
        onProgress: (done, total) => setProgress({ done, total }),
        isOver: () => isOver.current,
      });
      setProgress(null);
      setRecorded(came);
    },
  };
};
export type Memory = ReturnType<typeof useMemory>;
