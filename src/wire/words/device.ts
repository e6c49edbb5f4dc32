import type { CurveFacts } from '#core/device/curve-facts.ts';
import type { DeviceTrouble } from '#core/device/device-feed.ts';
import type { DeviceKind } from '#core/device/device-line.ts';
import { shortFigure } from '#core/quantity/display.ts';
import { fromNewtonMetres, newtonMetres, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { LAST_FIFTH_LEAST_SECONDS } from '#core/trace/rise.ts';

/** What a device is called. */
export const DEVICE_WORDS: Readonly<Record<DeviceKind, string>> = {
  wrench: 'electronic wrench',
  screwdriver: 'electronic screwdriver',
  tester: 'torque tester',
  indicator: 'dial indicator',
  thermometer: 'thermometer',
};

/** What is wrong with what a device says, and what to do. */
export const deviceTroubleWords = (trouble: DeviceTrouble): string => {
  switch (trouble.code) {
    case 'garbage':
      return 'Lines came that are none of a device: look at the cable, and at what the tool is set to send.';
    case 'doubled':
      return `${trouble.device} sent reading ${trouble.number} again: it counts once.`;
    case 'lost':
      return `${trouble.device}: ${trouble.count} ${trouble.count === 1 ? 'reading' : 'readings'} never came. If you pulled, pull again or type what it shows.`;
    case 'torn':
      return `${trouble.device}: the curve of reading ${trouble.number} is not whole. Nothing was recorded; type what it shows, or pull again.`;
    case 'unit-unknown':
      return `${trouble.device} names the unit “${trouble.unit}”, which is none here. Nothing was recorded; set the tool to another.`;
    case 'clock-jumped':
      return `${trouble.device}: its clock jumped by ${Math.abs(trouble.byMs / 1000).toFixed(1)} s. Torques stand; what they say of time is left out.`;
  }
};

/** What the curve of a pull says, in the unit of its tool. */
export const curveWords = (curve: CurveFacts, unit: TorqueUnit): string => {
  const torque = (value: number): string =>
    `${shortFigure(fromNewtonMetres(newtonMetres(value), unit))} ${unitSymbol(unit)}`;
  const {
    clickNewtonMetres,
    overshootNewtonMetres,
    lastFifthSeconds,
    runOnNewtonMetres,
    yieldedNewtonMetres,
  } = curve;
  return [
    clickNewtonMetres === null
      ? `peak ${torque(curve.peakNewtonMetres)}`
      : `gave at ${torque(clickNewtonMetres)}, ${overshootNewtonMetres ? `${torque(overshootNewtonMetres)} past it` : 'nothing past it'}`,
    lastFifthSeconds === null
      ? ''
      : `last fifth in ${lastFifthSeconds.toFixed(2)} s${lastFifthSeconds < LAST_FIFTH_LEAST_SECONDS ? ': too fast, half a second or more' : ''}`,
    runOnNewtonMetres === null ? '' : `run-on ${torque(runOnNewtonMetres)}`,
    yieldedNewtonMetres === null
      ? ''
      : `slope fell from ${torque(yieldedNewtonMetres)} on: it may have yielded`,
  ]
    .filter(Boolean)
    .join(' · ');
};
