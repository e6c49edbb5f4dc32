import { turnsBetween } from '#core/setting/scale.ts';
import { isIndicating } from '#core/tool/tool.ts';
import { displayDigits } from '#core/torque/display.ts';
import { fromNewtonMetres, unitSymbol } from '#core/torque/unit.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { NextAction } from '#core/view/next-action.ts';
import { scaleWords, turnWords } from '#wire/words/setting.ts';
import { ScalePicture } from '../shared/ScalePicture.tsx';

type Props = {
  readonly state: JobView;
  readonly action: Extract<NextAction, { kind: 'set-tool' | 'pull' }>;
};

const offWords = (state: JobView, offTargetNewtonMetres: number): string => {
  const scale = state.tool?.scale;
  if (!scale) return '';
  const off = fromNewtonMetres(offTargetNewtonMetres as Parameters<typeof fromNewtonMetres>[0], scale.unit);
  if (Math.abs(off) < scale.graduation / 100) return '';
  const amount = displayDigits(Math.abs(off), { sourceDigits: 2, graduation: scale.graduation });
  return ` Nearest mark, ${amount} ${unitSymbol(scale.unit)} ${off > 0 ? 'above' : 'below'} target.`;
};

/** What to set the tool to and how its scale must look, with the way there from where it stands. */
export const BenchSetting = ({ state, action }: Props) => {
  const { tool, setting } = state;
  if (!tool) return null;
  const { wanted } = action;
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
      <div className="mx-auto max-w-[404px]">
        <ScalePicture scale={tool.scale} setting={wanted.setting} direction={direction} />
      </div>
      <p className="text-s text-faint">
        {isToSet &&
          (setting === null
            ? `From rest, ${turnWords(tool.scale, turns)}.`
            : `From ${setting.text}, ${turnWords(tool.scale, turns)}.`)}
        {offWords(state, wanted.offTarget)}
        {state.adapterFactor !== 1 &&
          ` Through ${state.adapters.map(({ adapter, angleDegrees }) => `${adapter.code} at ${angleDegrees}°`).join(' and ')} the fastener gets ${state.adapterFactor.toFixed(3)} of it.`}
      </p>
    </section>
  );
};
