import type { JointKind } from '#core/joint/joint-kind.ts';

const sourceWords = (source: string): string => (source === '' ? 'common practice' : source);

type Props = { readonly kind: JointKind };

/** What a kind of joint says before a value is looked up: how what it hangs on is told, what to do when it goes wrong, and its warning. */
export const KindFacts = ({ kind }: Props) => (
  <div className="grid gap-1 text-s">
    {kind.onlyOne && (
      <p>
        <span className="font-bold">Where there is no other of a part:</span> {kind.onlyOne}
      </p>
    )}
    {(kind.identify ?? []).length > 0 && (
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center text-layout underline underline-offset-3">
          Before you look the value up: how to tell what it is
        </summary>
        <ul className="grid gap-2 pb-2">
          {(kind.identify ?? []).map(({ what, ways, otherwise, source }) => (
            <li key={what}>
              <span className="font-bold">{what}</span>
              <ul className="list-disc pl-5">
                {ways.map((way) => (
                  <li key={way}>{way}</li>
                ))}
              </ul>
              Can’t be told: {otherwise} <span className="text-faint">({sourceWords(source)})</span>
            </li>
          ))}
        </ul>
      </details>
    )}
    {(kind.troubles ?? []).length > 0 && (
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center text-layout underline underline-offset-3">
          When it goes wrong
        </summary>
        <dl className="grid gap-2 pb-2">
          {(kind.troubles ?? []).map(({ sign, remedy, source }) => (
            <div key={sign}>
              <dt className="font-bold">{sign}</dt>
              <dd>
                {remedy} <span className="text-faint">({sourceWords(source)})</span>
              </dd>
            </div>
          ))}
        </dl>
      </details>
    )}
    <p className="text-faint">
      {kind.steps.length} cautions and steps come with it. Local codes and the maker’s instructions override
      them.
    </p>
  </div>
);
