import { lazy, Suspense, useState } from 'react';
import { fastenersIn } from '#core/view/group-work.ts';
import type { JobView } from '#core/view/job-view.ts';

const TryOut = lazy(() =>
  import('../../simulate/TryOut.tsx').then(({ TryOut: panel }) => ({ default: panel })),
);

type Props = { readonly view: JobView };

/** What tightening one does to the others, for each group of a job in its own order and passes; worked out once it is opened. */
export const TryOutPanel = ({ view }: Props) => {
  const [isOpen, setOpen] = useState(false);
  const { groups } = view.plan;
  const tried = groups.filter((group) => fastenersIn(view, group).length > 1);
  if (tried.length === 0) return null;
  return (
    <details className="panel p-4" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer content-center text-l font-bold">
        Try it out: what tightening one does to the others
      </summary>
      {isOpen && (
        <Suspense fallback={<p role="status">Opening …</p>}>
          {tried.map((group) => (
            <section key={group.id} className="mt-3 grid gap-3" aria-label={`Try out ${group.title}`}>
              {groups.length > 1 && <h3 className="font-bold">{group.title}</h3>}
              <TryOut
                places={fastenersIn(view, group).map(({ planned }) => planned)}
                kind={group.kind}
                passes={group.kind.passes}
                roundsUntilStill={group.kind.roundsUntilStill}
              />
            </section>
          ))}
        </Suspense>
      )}
    </details>
  );
};
