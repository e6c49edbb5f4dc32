import type { JointKind } from '#core/joint/joint-kind.ts';

/** What is known to go wrong with a kind of joint, and what to do. */
export const KnownTroubles = ({ kind }: { readonly kind: JointKind }) => {
  const troubles = kind.troubles ?? [];
  if (troubles.length === 0) return null;
  return (
    <details>
      <summary className="min-h-11 content-center text-layout">Known of {kind.name.toLowerCase()}</summary>
      <dl className="grid gap-2 text-s">
        {troubles.map(({ sign, remedy, source }) => (
          <div key={sign}>
            <dt className="font-bold">{sign}</dt>
            <dd>
              {remedy} <span className="text-faint">{source === '' ? 'Common practice.' : source}</span>
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
};
