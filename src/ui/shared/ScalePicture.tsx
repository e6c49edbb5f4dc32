import { memo } from 'react';
import type { Scale } from '#core/tool/scale.ts';
import { ArcScale } from './ArcScale.tsx';
import { BarrelScale } from './BarrelScale.tsx';
import { PlateScale } from './PlateScale.tsx';

type Props = { readonly scale: Scale; readonly setting: number; readonly direction: 'up' | 'down' | 'none' };

/** How the scale of a tool must look at a setting, whatever form it has. */
export const ScalePicture = memo(({ scale, setting, direction }: Props) => {
  switch (scale.form) {
    case 'barrel':
      return <BarrelScale scale={scale} setting={setting} direction={direction} />;
    case 'beam':
    case 'dial':
      return <ArcScale scale={scale} setting={setting} form={scale.form} />;
    default:
      return <PlateScale scale={scale} setting={setting} form={scale.form} />;
  }
});
