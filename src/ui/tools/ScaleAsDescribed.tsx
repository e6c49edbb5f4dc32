import { unitSymbol } from '#core/quantity/unit.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import { checkedScale, settingAtGraduation, settingInNewtonMetres } from '#core/tool/scale.ts';
import type { ToolKind } from '#core/tool/tool.ts';
import { ScalePicture } from '../shared/ScalePicture.tsx';
import { scaleOfDraft, type ToolDraft, USUAL } from './tool-draft.ts';

/** How the scale would look as it is described so far, at its middle; nothing while it can't be. */
export const ScaleAsDescribed = ({ draft }: { readonly draft: ToolDraft }) => {
  const scale = scaleOfDraft(draft);
  if (!checkedScale(scale).ok) return null;
  const { toolClass } = USUAL[draft.kind as ToolKind];
  const middle = settingAtGraduation(
    scale,
    Math.round((scale.maximum - scale.minimum) / scale.graduation / 2),
  );
  const ofClass = permissibleDeviationPercent(toolClass, settingInNewtonMetres(scale, scale.maximum));
  return (
    <div className="sm:col-span-2">
      <p className="text-s text-faint">
        Its scale at {middle} {unitSymbol(scale.unit)} would look like this. Class{' '}
        {toolClass.replace('-', ' ')}, ±{draft.limitPercent || ofClass} % of{' '}
        {draft.limitOf === 'reading' ? 'reading' : 'full scale'}.
      </p>
      <div className="max-w-md">
        <ScalePicture scale={scale} setting={middle} direction="none" />
      </div>
    </div>
  );
};
