import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import type { ToolForGroup } from '#core/view/tools-for-group.ts';
import type { CribTool } from '#wire/tool.ts';
import { toolOutWords } from '#wire/words/tool.ts';

type Props = {
  readonly out: readonly ToolForGroup[];
  readonly tools: readonly CribTool[];
  readonly person: Person;
  readonly mayTake: boolean;
  readonly onTake: (code: string) => void;
};

/** The tools that can't do a group, and why; a lead may let one be used that only something stands against. */
export const ToolsOut = ({ out, tools, person, mayTake, onTake }: Props) => {
  if (out.length === 0) return null;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
        why {out.length === 1 ? '1 other is' : `${out.length} others are`} out
      </summary>
      <ul className="grid gap-1" data-testid="tools-out">
        {out.map(({ tool, because }) => {
          const known = tools.find((each) => each.tool.id === tool.id);
          const isOnlyBlocked =
            known !== undefined &&
            because.every((reason) => (known.blocks as readonly string[]).includes(reason));
          return (
            <li
              key={tool.id}
              className="flex flex-wrap items-center justify-between gap-2 border-b border-rule py-1"
            >
              <span>
                <strong>{tool.code}</strong>: {toolOutWords(because)}
              </span>
              {isOnlyBlocked && may(person, 'override-tool') && (
                <button
                  type="button"
                  className="act-quiet"
                  disabled={!mayTake}
                  onClick={() => onTake(tool.code)}
                >
                  Use it all the same …
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
};
