import { Agent, request } from 'node:http';
import { v7 as uuidv7 } from 'uuid';
import { judgePull } from '#core/command/judge-pull.ts';
import { applied, jobViewOf } from '#core/event/apply.ts';
import { type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { fastenerLines } from '#core/job/fastener-list.ts';
import type { Person } from '#core/people/person.ts';
import type { Tool } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt } from '#core/view/bench.ts';
import { cautionsOf, openMakeSafe } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { wantedSetting } from '#core/view/wanted-setting.ts';

/** An answer of the site: its status and what it says. */
export type SiteAnswer = { readonly status: number; readonly body: unknown };

/** Somebody signed in at a site, as a program speaks to it: one connection, kept open. */
export type SiteClient = {
  readonly person: Person;
  /** The cookie of the session. */
  readonly cookie: string;
  readonly ask: (method: string, path: string, body?: unknown) => Promise<SiteAnswer>;
  readonly close: () => void;
};

const asked = (
  address: string,
  agent: Agent,
  cookie: string,
  method: string,
  path: string,
  body: unknown,
): Promise<SiteAnswer & { readonly cookie: string }> =>
  new Promise((resolve, reject) => {
    const text = body === undefined ? undefined : JSON.stringify(body);
    const headers = {
      ...(cookie ? { cookie } : {}),
      ...(text ? { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) } : {}),
    };
    const sent = request(`${address}${path}`, { method, agent, headers }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('error', reject);
      response.on('end', () => {
        const said = Buffer.concat(chunks).toString('utf8');
        resolve({
          status: response.statusCode ?? 0,
          body: said.startsWith('{') || said.startsWith('[') ? JSON.parse(said) : said,
          cookie: (response.headers['set-cookie'] ?? []).map((each) => each.split(';')[0]).join('; '),
        });
      });
    });
    sent.on('error', (error: NodeJS.ErrnoException) => {
      // A server that stood still closes what was idle for too long, also where a request was on its way: on a kept connection it is asked again.
      if (error.code === 'ECONNRESET' && sent.reusedSocket)
        asked(address, agent, cookie, method, path, body).then(resolve, reject);
      else reject(error);
    });
    sent.end(text);
  });

/** Signs somebody in by name and PIN. Throws where the site does not let them. */
export const signedInClient = async (address: string, name: string, pin: string): Promise<SiteClient> => {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const people = (await asked(address, agent, '', 'GET', '/api/v1/people', undefined))
    .body as readonly Person[];
  const personId = people.find((each) => each.name === name)?.id;
  const { status, body, cookie } = await asked(address, agent, '', 'POST', '/api/v1/sessions', {
    personId,
    pin,
  });
  if (status !== 200) throw new Error(`${name} was not let in: ${JSON.stringify(body)}`);
  const { id, name: known, role } = body as Person;
  return {
    // As events name them: the answer says more beside it.
    person: { id, name: known, role },
    cookie,
    ask: (method, path, said) => asked(address, agent, cookie, method, path, said),
    close: () => agent.destroy(),
  };
};

/** A terminal list of so many alike terminals. */
export const terminalList = (count: number, requirement = '13 to 17 in-lb'): string =>
  [
    'position,label,x_mm,y_mm,conductor,requirement',
    ...Array.from(
      { length: count },
      (_, index) =>
        `P${index + 1},terminal ${index + 1},${(index % 40) * 8},${Math.floor(index / 40) * 24},14 AWG,${requirement}`,
    ),
  ].join('\n');

/** Events as a device would make them, one after the other, on the job as it knows it. */
export type Device = {
  readonly job: string;
  readonly view: () => JobView;
  readonly happen: (happening: JobHappening) => UnplacedEvent;
  /** A click at a position, with the tool set for it. */
  readonly pull: (position: string) => UnplacedEvent;
};

/** A device with a job that was planned. */
export const deviceOn = (events: readonly LedgerEvent[], person: Person): Device => {
  let view = jobViewOf(events) as JobView;
  const happen = (happening: JobHappening): UnplacedEvent => {
    const at = { id: uuidv7(), job: view.job, deviceTime: new Date().toISOString(), person };
    const event = unplacedEvent(at, happening);
    view = applied(view, event) as JobView;
    return event;
  };
  return {
    job: view.job,
    view: () => view,
    happen,
    pull: (position) => {
      const facts = { position, method: 'click', readingText: null, readingStands: false } as const;
      return happen({ kind: 'pull-made', body: valueOrThrow(judgePull(view, facts)) });
    },
  };
};

/** Measures all that makes a job safe, as it should be; waits are passed over. */
export const madeSafe = (device: Device): readonly UnplacedEvent[] => {
  const events: UnplacedEvent[] = [];
  for (let [due] = openMakeSafe(device.view()); due; [due] = openMakeSafe(device.view())) {
    const { step, limits } = due;
    const value = limits?.low ?? 0;
    const measure = { text: String(value), value, unit: limits?.unit ?? '' };
    const result = limits
      ? ({ kind: 'measured', measure, instrument: 'VT-02' } as const)
      : ({ kind: 'left', why: '' } as const);
    const said = { group: null, step: step.id, of: null, afterPass: null, result };
    const body = { ...said, limits, waitedMinutes: null, isGood: limits !== null };
    events.push(device.happen({ kind: 'step-done', body }));
  }
  return events;
};

/** Takes a tool, confirms the cautions, makes safe and sets the tool for the first fastener. */
export const readyEventsOf = (device: Device, tool: Tool): readonly UnplacedEvent[] => {
  const took = device.happen({
    kind: 'tool-chosen',
    body: { tool, adapters: [], blocks: [], override: null, groups: null, isBeside: false },
  });
  const safe = device.happen({
    kind: 'cautions-confirmed',
    body: { cautions: cautionsOf(device.view().plan).map(({ id }) => id) },
  });
  const measured = madeSafe(device);
  const view = device.view();
  const position = view.fasteners[0]?.planned.position ?? '';
  const { text, setting } = valueOrThrow(wantedSetting(view, fastenerAt(view, position) as FastenerView));
  const set = device.happen({
    kind: 'tool-set',
    body: { toolId: tool.id, setting: { text, value: setting, unit: tool.scale.unit } },
  });
  return [took, safe, ...measured, set];
};

const must = ({ status, body }: SiteAnswer): unknown => {
  if (status !== 200) throw new Error(`${status}: ${JSON.stringify(body).slice(0, 300)}`);
  return body;
};

/** Plans a job over HTTP and makes it ready for its first pull. */
export const readyJob = async (
  client: SiteClient,
  terminals: number,
  toolCode: string,
  requirement?: string,
): Promise<Device> => {
  const planned = must(
    await client.ask('POST', '/api/v1/jobs', {
      jobId: uuidv7(),
      eventId: uuidv7(),
      deviceTime: new Date().toISOString(),
      title: 'Load',
      groups: [
        { id: 'A', title: 'Terminals', jointKind: 'control-cabinet', seenFrom: 'here', irreplaceable: [] },
      ],
      asset: null,
      source: { title: 'x', revision: '', place: '' },
      lines: valueOrThrow(fastenerLines(terminalList(terminals, requirement))).lines,
    }),
  ) as LedgerEvent;
  const crib = must(await client.ask('GET', '/api/v1/tools')) as readonly { readonly tool: Tool }[];
  const tool = crib.find((each) => each.tool.code === toolCode)?.tool;
  if (!tool) throw new Error(`there is no tool ${toolCode}`);
  const device = deviceOn([planned], client.person);
  const events = readyEventsOf(device, tool);
  must(await client.ask('POST', `/api/v1/jobs/${device.job}/events`, { events }));
  return device;
};
