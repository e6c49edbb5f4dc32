import { accepted } from '#core/result.ts';
import { contactOf, endpoint } from '#server/http/endpoint.ts';
import { planJob } from '#server/services/plan-job.ts';
import { allJobs } from '#server/services/read-site.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listJobs, async () => accepted(await allJobs()));
export const POST = endpoint(OPERATIONS.planJob, ({ body, by, context }) => {
  const contact = contactOf(context, body);
  return planJob(body, by, () => contact);
});
