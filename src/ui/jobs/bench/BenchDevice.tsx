import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { call } from '#client/api.ts';
import { deviceStream } from '#client/device/device-stream.ts';
import { hasSerial } from '#client/device/serial.ts';
import { shownLevel } from '#client/device/shown-level.ts';
import { againstReading, toolInHand } from '#core/command/device-pull.ts';
import type { DeviceNews, DeviceReading, DeviceState } from '#core/device/device-feed.ts';
import { fromNewtonMetres } from '#core/quantity/unit.ts';
import { isDeviceOf, type Tool } from '#core/tool/tool.ts';
import type { JobView } from '#core/view/job-view.ts';
import { passLimits } from '#core/view/pass-limits.ts';
import { OPERATIONS } from '#wire/api.ts';
import { curveWords, deviceTroubleWords } from '#wire/words/device.ts';
import { TraceChart } from '../../shared/TraceChart.tsx';
import { LiveReading } from './LiveReading.tsx';
import { SerialForm } from './SerialForm.tsx';
import type { Bench } from './use-bench.ts';

type Props = { readonly bench: Bench; readonly view: JobView };

const LINK_WORDS = {
  connecting: 'Looking for the tool…',
  connected: 'is not heard: switch it on, or type what it shows',
  away: 'can’t be heard now: the gateway of devices is away. Type what it shows; what it sends meanwhile comes when it is back',
  none: 'This site has no gateway of devices: type what the tool shows, or connect its cable here',
} as const;

/** The limits of the pass in front at the tool, in its unit. */
const limitsAt = (bench: Bench, view: JobView): { readonly low: number; readonly high: number } | null => {
  const { fastener, action } = bench;
  const limits = fastener ? passLimits(view, fastener) : null;
  if (!limits || (action.kind !== 'pull' && action.kind !== 'set-tool')) return null;
  const { tool, adapterFactor } = action.taken;
  const { low, high } = limits;
  const { unit } = tool.scale;
  return {
    low: fromNewtonMetres(low, unit) / adapterFactor,
    high: fromNewtonMetres(high, unit) / adapterFactor,
  };
};

/** The instrument that shows what the step in front measures; undefined where none is heard. */
const instrumentFor = ({ action }: Bench, devices: readonly DeviceState[]): DeviceState | undefined => {
  const unit = action.kind === 'step' ? action.due.limits?.unit : undefined;
  const kind = unit === 'mm' ? 'indicator' : unit === '°C' ? 'thermometer' : null;
  return devices.find(({ is }) => is !== null && is === kind);
};

/** Lets the simulated tool pull to what is wanted, for whoever looks at the demo. */
const simulate = (device: string, { action }: Bench): void => {
  const torque = action.kind === 'pull' ? action.wanted.setting : 5;
  const angle = action.kind === 'turn' ? { angle: action.due.degrees } : {};
  void call(OPERATIONS.moveDevice, { do: 'pull', device, torque, rate: 1000, ...angle });
};

/** The tool that is connected: whether it is heard, its torque under the hairline as it is pulled, its curve, and what is wrong with what it says. */
export const BenchDevice = ({ bench, view }: Props) => {
  const [stream] = useState(deviceStream);
  const { link, devices, trouble } = useSyncExternalStore(stream.subscribe, stream.snapshot, stream.snapshot);
  const [last, setLast] = useState<DeviceReading | null>(null);
  const [isConnecting, setConnecting] = useState(false);
  const level = useRef(shownLevel());
  const latest = useRef(bench);
  latest.current = bench;
  useEffect(() => {
    const hear = (news: DeviceNews): void => {
      const { action, takeReading, typeWhole, holdInstrument } = latest.current;
      if (news.kind === 'pull') {
        setLast(news.reading);
        // A tester at the same gateway is nobody's tool.
        const kind = stream.snapshot().devices.find(({ device }) => device === news.reading.device)?.is;
        if (kind !== 'tester') takeReading(news.reading, againstReading);
      }
      if (news.kind === 'level' && action.kind === 'step' && action.due.limits?.unit === news.unit) {
        const told = level.current.told(action.due, news);
        // What a person types stays.
        if (latest.current.typed !== '' && latest.current.typed !== level.current.last) return;
        level.current.last = told;
        holdInstrument(news.device);
        typeWhole(told);
      }
    };
    const stopNews = stream.onNews(hear);
    const stop = stream.start();
    return () => {
      stop();
      stopNews();
    };
  }, [stream]);
  const inHand = toolInHand(view, bench);
  const tool: Tool | null = inHand?.kind === 'electronic' ? inHand : null;
  const mine = useMemo(
    () => devices.find(({ device }) => tool !== null && isDeviceOf(tool, device)),
    [devices, tool],
  );
  const heard = link === 'connected' ? mine?.device : undefined;
  const { number: jobNumber } = view.plan;
  useEffect(() => {
    if (heard === undefined) return;
    // The tool in this hand works for this job: also when the hand comes back from another bench.
    const tell = (): void => void call(OPERATIONS.tellDevice, { device: heard, job: jobNumber });
    tell();
    window.addEventListener('focus', tell);
    return () => window.removeEventListener('focus', tell);
  }, [heard, jobNumber]);
  const limits = limitsAt(bench, view);
  const live = mine?.live ?? null;
  const shown = live ?? (last && tool && isDeviceOf(tool, last.device) ? last.trace : null);
  const unit = tool?.scale.unit ?? last?.peak.unit ?? 'N.m';
  const instrument = instrumentFor(bench, devices);
  return (
    <section aria-label="Connected tool" className="grid gap-1" data-testid="device">
      {live && tool && <LiveReading live={live} tool={tool} action={bench.action} limits={limits} />}
      {shown && limits && shown.times.length > 1 && (
        <div className="mx-auto w-full max-w-[404px] short:hidden">
          <TraceChart trace={shown} curve={live ? null : (last?.curve ?? null)} unit={unit} {...limits} />
        </div>
      )}
      {!live && last?.curve && shown && <p className="text-s text-faint">{curveWords(last.curve, unit)}</p>}
      <p className="flex flex-wrap items-center gap-x-3 text-s" data-testid="device-link">
        {tool && mine && link === 'connected' ? (
          <span>
            <strong>{tool.code}</strong> is connected ({mine.device}): a pull is recorded by itself.
          </span>
        ) : instrument && link === 'connected' ? (
          <span>
            <strong>{instrument.device}</strong> is heard: what it shows is filled in.
          </span>
        ) : (
          <span className="text-faint">
            {link !== 'connecting' && link !== 'none' && `${tool?.code ?? 'An instrument'} `}
            {LINK_WORDS[link]}
          </span>
        )}
        {mine && link === 'connected' && (
          <button
            type="button"
            className="min-h-11 text-layout underline"
            onClick={() => simulate(mine.device, bench)}
          >
            Simulate a pull
          </button>
        )}
        {tool && (
          <a className="inline-flex min-h-11 items-center" href={`/jobs/${view.job}/memory`}>
            Read its memory
          </a>
        )}
        {tool && !mine && hasSerial() && (
          <button
            type="button"
            className="min-h-11 text-layout underline"
            onClick={() => setConnecting(true)}
          >
            Connect its cable here
          </button>
        )}
      </p>
      {trouble && (
        <p role="status" className="text-s font-semibold text-unsure" data-testid="device-trouble">
          {deviceTroubleWords(trouble.last)}
          {trouble.count > 1 && ` (${trouble.count} times)`}
        </p>
      )}
      {isConnecting && tool && (
        <SerialForm tool={tool} stream={stream} onClose={() => setConnecting(false)} />
      )}
    </section>
  );
};
