import { useEffect, useRef, useState } from 'react';
import type { JobRoute } from '#core/route/job-route.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { CribTool } from '#wire/tool.ts';
import { type RouteFinder, startRouteFinder } from '../../../workers/route.ts';

/** What is known of a job's route: it is found in a worker, since many fasteners take a while. */
export type Routing = {
  /** What was found last; null before anything was. */
  readonly route: JobRoute | null;
  /** Whether it is of the job as it is now. */
  readonly isFresh: boolean;
  readonly isBroken: boolean;
};

type Found = { readonly route: JobRoute; readonly view: JobView; readonly crib: readonly CribTool[] };

/** The route through what is left of a job. */
export const useRoute = (view: JobView, crib: readonly CribTool[]): Routing => {
  const finder = useRef<RouteFinder | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [isBroken, setBroken] = useState(false);
  useEffect(
    () => () => {
      finder.current?.end();
      finder.current = null;
    },
    [],
  );
  useEffect(() => {
    let isLatest = true;
    finder.current ??= startRouteFinder(() => setBroken(true));
    const candidates = crib.map((each) => ({ ...each, standsAt: null }));
    finder.current.find(view, candidates).then(
      (route) => isLatest && setFound({ route, view, crib }),
      () => isLatest && setBroken(true),
    );
    return () => {
      isLatest = false;
    };
  }, [view, crib]);
  return { route: found?.route ?? null, isFresh: found?.view === view && found.crib === crib, isBroken };
};
