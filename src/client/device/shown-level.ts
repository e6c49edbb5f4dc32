import type { DueStep } from '#core/view/due-steps.ts';

/** What an instrument shows, as the step that is due measures it. `last` is what was told last. */
export type ShownLevel = {
  last: string;
  readonly told: (due: Pick<DueStep, 'step' | 'limits' | 'of'>, level: { readonly text: string }) => string;
};

const decimalsOf = (text: string): number => text.split('.')[1]?.length ?? 0;

/** Follows what an instrument shows: as it is, or for a runout the most less the least since the step was due, which is its total indicator reading. */
export const shownLevel = (): ShownLevel => {
  let at = '';
  let least = 0;
  let most = 0;
  let decimals = 0;
  return {
    last: '',
    told: ({ step, limits, of }, { text }) => {
      const value = Number(text);
      const here = `${step.id} ${of ?? ''}`;
      if (limits?.from !== 'runout') return text;
      if (here !== at) {
        at = here;
        least = value;
        most = value;
        decimals = 0;
      }
      least = Math.min(least, value);
      most = Math.max(most, value);
      decimals = Math.max(decimals, decimalsOf(text));
      return (most - least).toFixed(decimals);
    },
  };
};
