import { counted, MEMORY_FAULT_WORDS } from '#wire/words/memory.ts';
import type { Memory } from './use-memory.ts';

/** The lines of a memory that can't be read, and why. */
export const MemoryFaults = ({ memory: { faults } }: { readonly memory: Memory }) => {
  if (faults.length === 0) return null;
  return (
    <details>
      <summary className="min-h-11 font-bold text-unsure">
        {counted(faults.length, 'line is', 'lines are')} not read
      </summary>
      <ul>
        {faults.slice(0, 50).map(({ line, code, text }) => (
          <li key={line}>
            <span className="font-mono">line {line}</span>: {MEMORY_FAULT_WORDS[code]}
            {text !== '' && ` (${text})`}
          </li>
        ))}
        {faults.length > 50 && <li>and {faults.length - 50} more.</li>}
      </ul>
    </details>
  );
};
