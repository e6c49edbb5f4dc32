import type { AdapterKind } from '#core/tool/adapter.ts';
import type { ToolOut } from '#core/tool/choose-tool.ts';
import type { ToolDrive, ToolKind } from '#core/tool/tool.ts';
import { dayWords } from '../site-time.ts';

/** The names of kinds of tool. */
export const TOOL_KIND_WORDS: Record<ToolKind, string> = {
  'adjustable-screwdriver': 'adjustable screwdriver',
  'preset-screwdriver': 'preset screwdriver',
  'adjustable-click-wrench': 'adjustable click wrench',
  'preset-click-wrench': 'preset click wrench',
  'break-over-wrench': 'break-over wrench',
  'bending-beam': 'bending beam',
  dial: 'dial with peak needle',
  electronic: 'electronic',
  'torque-limiting-key': 'torque-limiting key',
  'single-use-shear': 'single-use shear device',
  'measuring-fixture': 'measuring fixture',
};

/** The names of what a tool drives. */
export const TOOL_DRIVE_WORDS: Record<ToolDrive, string> = {
  'hex-1/4': '1/4 in hex bit',
  'hex-4mm': '4 mm hex bit',
  'square-1/4': '1/4 in square',
  'square-3/8': '3/8 in square',
  'square-1/2': '1/2 in square',
  'square-14x18': '14 × 18 mm insert',
  'open-jaw': 'open jaw',
  'own-blade': 'a blade of its own',
  'holds-the-part': 'holds the part',
};

/** Why a tool is out, for a fastener or for today. */
export const TOOL_OUT_WORDS: Record<ToolOut, string> = {
  'overdue-time': 'calibration is overdue',
  'overdue-count': 'due by its count of pulls',
  'overdue-replace': 'due to be replaced',
  quarantined: 'in quarantine',
  'on-loan': 'out on loan',
  retired: 'retired',
  'range-too-low': 'its range ends below the target',
  'range-too-high': 'its range begins above the target',
  'outside-usable-band': 'kept for another part of its range',
  'no-graduation': 'no setting of it lies inside acceptance',
  'wrong-direction': 'does not work on this direction of thread',
  'forbidden-kind': 'the source forbids this kind',
  'not-the-kind-allowed': 'the source allows another kind only',
  'drive-does-not-fit': 'its drive does not fit',
  'not-sure-enough': 'not sure enough to land inside acceptance',
};

/** The same in one line, for all that stands against a tool. */
export const toolOutWords = (reasons: readonly ToolOut[]): string =>
  reasons.map((reason) => TOOL_OUT_WORDS[reason]).join(', ');

export const ADAPTER_KIND_WORDS: Record<AdapterKind, string> = {
  'offset-head': 'open offset head',
  'ring-head': 'ring offset head',
  extension: 'extension in line',
  bit: 'bit',
  'square-adapter': 'square adapter',
};

/** What happened to a tool, in the list of its own page. */
export const TOOL_EVENT_WORDS: Readonly<Record<string, string>> = {
  added: 'put into the crib',
  session: 'calibration session kept',
  lent: 'lent out',
  returned: 'came back',
};

/** Since when a recall judges: a day, or since ever where there was no good session before. */
export const sinceWords = (since: string): string =>
  since.startsWith('1970') ? 'it was taken into use' : dayWords(since.slice(0, 10));
