import { useState } from 'react';
import { SURFACES, type Surface } from '#core/preload/nut-factor.ts';
import type { PreloadTyped } from '#core/preload/preload-facts.ts';
import { NUT_MATERIALS, type NutMaterial } from '#core/preload/tensile-strength.ts';
import { PROPERTY_CLASSES } from '#core/spec/screw/property-class.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { NUT_WORDS, SURFACE_WORDS } from '#wire/words/preload.ts';
import { LoneChoice } from '../kit/form/LoneChoice.tsx';
import { LoneField } from '../kit/form/LoneField.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { HeadMarks } from './HeadMarks.tsx';
import { PreloadFacts } from './PreloadFacts.tsx';
import { usePreload } from './use-preload.ts';

type Props = {
  readonly site: Site;
  /** What is known already, where the question comes from a requirement. */
  readonly known?: Partial<Pick<PreloadTyped, 'thread' | 'torque' | 'propertyClass'>>;
};

const NOTHING: PreloadTyped = {
  thread: '',
  torque: '',
  propertyClass: '',
  surface: 'dry-steel',
  nut: '',
  engagementMm: '',
  clampedMm: '',
  stretchMm: '',
  angleDegrees: '',
};

const NUMBER = { inputMode: 'decimal', maxLength: 10, className: 'font-mono' } as const;

/** What a torque makes of a screw: its tension as a band, what of its strength that takes, where the torque goes, and how its threads would give way. */
export const PreloadPanel = ({ site, known = {} }: Props) => {
  const [typed, setTyped] = useState<PreloadTyped>({ ...NOTHING, ...known });
  const set = (part: Partial<PreloadTyped>): void => setTyped({ ...typed, ...part });
  const found = usePreload(typed, site.unit);
  return (
    <div className="grid gap-3">
      <div className="grid gap-3 sm:grid-cols-2">
        <LoneField label="Thread" text={typed.thread} onText={(thread) => set({ thread })} maxLength={40} />
        <LoneField
          label="Torque, as it is printed"
          text={typed.torque}
          onText={(torque) => set({ torque })}
          maxLength={200}
        />
        <LoneChoice
          label="Class of the screw"
          value={typed.propertyClass}
          options={[['', 'not known'], ...PROPERTY_CLASSES.map((each) => [each, each] as const)]}
          onChoose={(propertyClass) => set({ propertyClass })}
        />
        <LoneChoice<Surface>
          label="Threads are"
          value={typed.surface}
          options={SURFACES.map((each) => [each, SURFACE_WORDS[each]] as const)}
          onChoose={(surface) => set({ surface })}
        />
        <LoneChoice<NutMaterial | ''>
          label="Goes into"
          value={typed.nut}
          options={[
            ['', 'not known'],
            ...(Object.keys(NUT_MATERIALS) as readonly NutMaterial[]).map(
              (each) => [each, NUT_WORDS[each]] as const,
            ),
          ]}
          onChoose={(nut) => set({ nut })}
        />
        <LoneField
          label="Thread engaged, mm"
          text={typed.engagementMm}
          onText={(engagementMm) => set({ engagementMm })}
          {...NUMBER}
        />
        <LoneField
          label="Clamped length, mm"
          text={typed.clampedMm}
          onText={(clampedMm) => set({ clampedMm })}
          {...NUMBER}
        />
        <LoneField
          label="Stretch measured, mm"
          text={typed.stretchMm}
          onText={(stretchMm) => set({ stretchMm })}
          {...NUMBER}
        />
        <LoneField
          label="Turned after snug, °"
          text={typed.angleDegrees}
          onText={(angleDegrees) => set({ angleDegrees })}
          {...NUMBER}
        />
      </div>
      {found && !found.ok && <ProblemNotice problem={problemDetails(found.refusal)} />}
      {found?.ok ? (
        <PreloadFacts found={found.value} engagementMm={Number(typed.engagementMm.replace(',', '.'))} />
      ) : (
        !found && <p className="text-s text-faint">Thread and torque first; what else is known says more.</p>
      )}
      <HeadMarks />
    </div>
  );
};
