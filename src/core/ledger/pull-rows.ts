import { type LedgerEvent, lifted } from '../event/lifted.ts';
import { kindsOf } from '../job/plan.ts';
import { unitSymbol } from '../quantity/unit.ts';
import { assumptionsOf } from '../view/assumptions.ts';
import { fastenerAt } from '../view/bench.ts';
import type { JobView } from '../view/job-view.ts';

/** One line per pull, and per angle turned after one, in the order they were made, by column name, as a table for spreadsheets; voided pulls too. */
export const pullRows = (
  state: JobView,
  kept: readonly LedgerEvent[],
): readonly Readonly<Record<string, string | number>>[] => {
  const events = kept.map(lifted);
  const placed = new Map(events.map((event) => [event.id, event]));
  const tools = new Map(
    events.flatMap((event) =>
      event.kind === 'tool-chosen' ? [[event.body.tool.id, event.body.tool] as const] : [],
    ),
  );
  const details = [...new Set(kindsOf(state.plan).flatMap((kind) => kind.details.map(({ id }) => id)))];
  const assumed = new Map<string, string>();
  for (const { id, positions } of assumptionsOf(state))
    for (const position of positions)
      assumed.set(position, [assumed.get(position), id.replace('assumed-', '')].filter(Boolean).join(' '));
  const rows = state.fasteners.flatMap(({ planned, pulls }) =>
    pulls.map(({ eventId, person, deviceTime, body, voided }) => {
      const tool = tools.get(body.toolId ?? '');
      return {
        sequence: placed.get(eventId)?.sequence ?? 0,
        position: planned.position,
        label: planned.label,
        ...Object.fromEntries(details.map((id) => [id, planned.details[id] ?? ''])),
        requirement: planned.requirement.printed,
        read_as: planned.requirement.readAs ?? '',
        assumed: assumed.get(planned.position) ?? '',
        target_newton_metres: body.targetNewtonMetres ?? '',
        low_newton_metres: body.lowNewtonMetres ?? '',
        high_newton_metres: body.highNewtonMetres ?? '',
        tool: tool?.code ?? '',
        tool_serial: tool?.serial ?? '',
        calibration_due_on: tool?.calibrationDueOn ?? '',
        pass: body.pass,
        method: body.method,
        moved: body.moved === null ? '' : body.moved ? 'yes' : 'no',
        setting: body.setting?.text ?? '',
        reading: body.reading?.text ?? '',
        unit: body.reading || body.setting ? unitSymbol((body.reading ?? body.setting)?.unit ?? 'N.m') : '',
        standard_uncertainty_newton_metres: body.standardUncertaintyNewtonMetres ?? '',
        verdict: body.outcome,
        probability: body.probability ?? '',
        person: person.name,
        device_time: deviceTime,
        voided_because: voided?.why ?? '',
        event: eventId,
        hash: placed.get(eventId)?.hash ?? '',
      };
    }),
  );
  const [shape] = rows;
  const empty = Object.fromEntries(Object.keys(shape ?? {}).map((column) => [column, '']));
  const turns = events.flatMap((event) => {
    if (event.kind !== 'angle-turned') return [];
    const { position, method, turned, outcome } = event.body;
    const planned = fastenerAt(state, position)?.planned;
    return [
      {
        ...empty,
        sequence: event.sequence,
        position,
        label: planned?.label ?? '',
        requirement: planned?.requirement.printed ?? '',
        read_as: planned?.requirement.readAs ?? '',
        method: `angle ${method}`,
        reading: turned.text,
        unit: turned.unit,
        verdict: outcome,
        person: event.person.name,
        device_time: event.deviceTime,
        event: event.id,
        hash: event.hash,
      },
    ];
  });
  return [...rows, ...turns].sort((a, b) => a.sequence - b.sequence);
};
