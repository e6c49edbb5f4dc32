import { expose } from 'comlink';
import { jobRoute } from '#core/route/job-route.ts';

const face = { find: jobRoute };
export type RouteFace = typeof face;

expose(face);
