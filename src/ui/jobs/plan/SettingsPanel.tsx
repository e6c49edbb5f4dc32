import type { JobView } from '#core/view/job-view.ts';
import { comingPositions } from '#core/view/open-items.ts';
import { type SettingCount, sameSettingFirst, settingCount } from '#core/view/setting-order.ts';
import { Tick } from '../../kit/Tick.tsx';
import { useComfort } from '../bench/use-comfort.ts';

const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

const countWords = ({ settings, tools }: SettingCount): string =>
  `${counted(settings, 'setting')}${tools > 1 ? `, ${counted(tools - 1, 'change')} of tool` : ''}`;

/** How often a tool is set on the way through what is left, and what it costs to go by the eye and not by the setting. */
export const SettingsPanel = ({ view }: { readonly view: JobView }) => {
  const [comfort, comfortStore] = useComfort();
  const left = comingPositions(view, null);
  const asListed = settingCount(view, left);
  const fewest = settingCount(view, sameSettingFirst(view, left));
  if (asListed.settings === 0) return null;
  const isSame = fewest.settings >= asListed.settings;
  return (
    <section className="panel grid gap-2 p-4" aria-label="Settings ahead" data-testid="settings-ahead">
      <h2 className="text-l font-bold">
        {countWords(comfort.fewest ? fewest : asListed)} ahead, for {counted(asListed.different, 'value')}
      </h2>
      {isSame ? (
        <p className="text-s text-faint">Fewer is not possible in an order that the joint allows.</p>
      ) : (
        <Tick isOn={comfort.fewest} onChange={(isOn) => comfortStore.change({ fewest: isOn })}>
          <span>
            same setting first: {countWords(fewest)} instead of {countWords(asListed)}
          </span>
        </Tick>
      )}
    </section>
  );
};
