import { lazy, memo } from 'react';
import type { Scale } from '#core/tool/scale.ts';
import { Later } from '../kit/Later.tsx';
import { BarrelScale } from './BarrelScale.tsx';

// Most tools have a barrel; the others come when one is shown.
const ArcScale = lazy(() => import('./ArcScale.tsx').then(({ ArcScale: arc }) => ({ default: arc })));
const PlateScale = lazy(() =>
  import('./PlateScale.tsx').then(({ PlateScale: plate }) => ({ default: plate })),
);

type Props = { readonly scale: Scale; readonly setting: number; readonly direction: 'up' | 'down' | 'none' };

/** How the scale of a tool must look at a setting, whatever form it has. */
export const ScalePicture = memo(({ scale, setting, direction }: Props) => {
  switch (scale.form) {
    case 'barrel':
      return <BarrelScale scale={scale} setting={setting} direction={direction} />;
    case 'beam':
    case 'dial':
      return (
        <Later>
          <ArcScale scale={scale} setting={setting} form={scale.form} />
        </Later>
      );
    default:
      return (
        <Later>
          <PlateScale scale={scale} setting={setting} form={scale.form} />
        </Later>
      );
  }
});
