import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { specificationOf } from '#core/spec/book/book-requirement.ts';
import { type NamedDemand, type Purchase, whatToBuy } from '#core/tool/what-to-buy.ts';
import { database } from '../database/pool.ts';
import { selectRequirements } from '../queries/book-requirements.ts';
import { selectSite } from '../queries/site.ts';
import { selectSources } from '../queries/sources.ts';
import { cribTools } from './tool-crib.ts';

/** The smallest set of tools that would do what the book asks and no tool of the crib can, for the requirements in force. One that has no torque
 *  (an angle, finger tight) asks for none. */
export const bookPurchases = async (): Promise<readonly Purchase[]> => {
  const db = database();
  const { schools } = await selectSite(db);
  const current = new Set(
    (await selectSources(db)).filter(({ status }) => status === 'current').map(({ id }) => id),
  );
  const kept = (await selectRequirements(db, null)).filter(
    ({ isWithdrawn, sourceId }) => !isWithdrawn && current.has(sourceId),
  );
  const demands = kept.flatMap(({ code, body }): readonly NamedDemand[] => {
    const target = NEWEST_RULES.target(specificationOf(body), schools, schools.siteTolerancePercent);
    if (!target.ok || target.value.thenAngleDegrees !== null) return [];
    const { thread, tools } = body.conditions;
    // The book does not say what a fastener's head is: any drive that the shop has will do.
    return [{ name: code, wanted: { target: target.value, thread, tools, drive: 'hex-socket' } }];
  });
  const tools = await cribTools();
  const candidates = tools
    .filter(({ facts }) => !facts.isRetired)
    // What is overdue or lent comes back; it need not be bought.
    .map(({ tool }) => ({ tool, blocks: [], standsAt: null }));
  return whatToBuy(demands, candidates, schools, NEWEST_RULES);
};
