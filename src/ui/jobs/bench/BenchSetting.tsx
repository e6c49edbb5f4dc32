import { memo } from 'react';
import { displayDigits, shortFigure } from '#core/quantity/display.ts';
import { fromNewtonMetres, type NewtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import type { Target } from '#core/target/target-and-acceptance.ts';
import { handleForceNewtons, settingThrough } from '#core/tool/adapter.ts';
import type { Scale } from '#core/tool/scale.ts';
import { turnsBetween } from '#core/tool/scale.ts';
import { isIndicating } from '#core/tool/tool.ts';
import { dialIn } from '#core/tool/tool-setting.ts';
import type { TakenTool } from '#core/view/bench.ts';
import type { NextAction } from '#core/view/next-action.ts';
import { scaleWords, turnWords } from '#wire/words/setting.ts';
import { ScalePicture } from '../../shared/ScalePicture.tsx';
import { DialInList } from './DialInList.tsx';

type Props = {
  readonly action: Extract<NextAction, { kind: 'set-tool' | 'pull' }>;
  /** Low and high at the fastener; null where it has no target. */
  readonly limits: Pick<Target, 'low' | 'high'> | null;
};

const offWords = (scale: Scale, offTarget: NewtonMetres): string => {
  const off = fromNewtonMetres(offTarget, scale.unit);
  if (Math.abs(off) < scale.graduation / 100) return '';
  const amount = displayDigits(Math.abs(off), { sourceDigits: 2, graduation: scale.graduation });
  return ` Nearest mark, ${amount} ${unitSymbol(scale.unit)} ${off > 0 ? 'above' : 'below'} target.`;
};

const atTool = ({ low, high }: Pick<Target, 'low' | 'high'>, factor: number) => ({
  low: settingThrough(low, factor),
  high: settingThrough(high, factor),
});

const onTool = ({ adapter, angleDegrees, isAngleHeld }: TakenTool['adapters'][number]): string =>
  adapter.offsetMillimetres > 0
    ? `${adapter.code} at ${angleDegrees}°${isAngleHeld ? ', held by a stop' : ', by eye'}`
    : `${adapter.code} in line`;

/** What to set the tool to and how its scale must look, with the way there from where it stands. */
export const BenchSetting = memo(({ action, limits }: Props) => {
  const { wanted, taken } = action;
  const { tool, setting, adapters, adapterFactor } = taken;
  const standsAt = setting?.value ?? tool.restSetting;
  const turns = turnsBetween(tool.scale, standsAt, wanted.setting);
  const isToSet = action.kind === 'set-tool';
  const direction = !isToSet || Math.abs(turns) < 1e-9 ? 'none' : turns > 0 ? 'up' : 'down';
  return (
    <section aria-label="Tool setting">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 className="text-l font-bold">
          {isIndicating(tool) ? 'Pull' : isToSet ? 'Set' : 'Keep'} {tool.code}{' '}
          {isToSet || isIndicating(tool) ? 'to' : 'at'} {wanted.text} {unitSymbol(tool.scale.unit)}
        </h2>
        {tool.scale.form === 'barrel' && <span className="text-s text-faint">{scaleWords(wanted)}</span>}
      </div>
      {adapters.length > 0 && (
        <p className="font-semibold" data-testid="adapter">
          with {adapters.map(onTool).join(', then ')}
          {adapterFactor !== 1 && (
            <span className="font-normal">
              {' '}
              · the fastener gets {adapterFactor.toFixed(3)} of what {tool.code} says
            </span>
          )}
        </p>
      )}
      <div className="mx-auto max-w-[404px] short:hidden">
        <ScalePicture scale={tool.scale} setting={wanted.setting} direction={direction} />
      </div>
      <p className="text-s text-faint short:hidden">
        {isToSet &&
          (setting === null
            ? `From rest, ${turnWords(tool.scale, turns)}.`
            : `From ${setting.text}, ${turnWords(tool.scale, turns)}.`)}
        {offWords(tool.scale, wanted.offTarget)}
        {tool.leverMillimetres !== null &&
          ` About ${shortFigure(handleForceNewtons(wanted.torque, tool.leverMillimetres))} N at the grip mark.`}
      </p>
      {tool.kind === 'electronic' && limits && (
        <DialInList dialled={dialIn(atTool(limits, adapterFactor), wanted, tool.scale)} />
      )}
    </section>
  );
});
