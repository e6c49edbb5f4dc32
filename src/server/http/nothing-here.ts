import { problemResponse } from './endpoint.ts';
import { problemPage } from './problem-page.ts';

/** The page of ours for a job, a tool or a source that is not there, or not any more. */
export const nothingHere = (
  what: 'job' | 'tool' | 'source' | 'table' | 'requirement' | 'template',
): Promise<Response> => problemPage(problemResponse({ code: 'not-found', what }));
