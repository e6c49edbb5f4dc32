import { PROOF_SHARE_MOST } from '#core/preload/preload-band.ts';
import type { PreloadFound } from '#core/preload/preload-facts.ts';
import { forceWords, strippingWords } from '#wire/words/preload.ts';

type Props = { readonly found: PreloadFound; readonly engagementMm: number };

const percent = (share: number): string => `${Math.round(share * 100)} %`;

const SHARE_WORDS = [
  { id: 'tension', words: 'stretches the screw', fill: 'var(--c-in)' },
  { id: 'thread', words: 'lost in the thread', fill: 'var(--c-unsure)' },
  { id: 'head', words: 'lost under the head', fill: 'var(--c-low)' },
] as const;

const WhereItGoes = ({ shares }: Pick<PreloadFound['band'], 'shares'>) => {
  let from = 0;
  return (
    <figure className="grid gap-1">
      <svg viewBox="0 0 100 6" className="h-6 w-full" preserveAspectRatio="none" aria-hidden="true">
        {SHARE_WORDS.map(({ id, fill }) => {
          const x = from * 100;
          from += shares[id];
          return <rect key={id} x={x} width={shares[id] * 100} height="6" fill={fill} />;
        })}
      </svg>
      <figcaption className="text-s">
        Of the torque {SHARE_WORDS.map(({ id, words }) => `${percent(shares[id])} ${words}`).join(', ')}.
      </figcaption>
    </figure>
  );
};

/** What came of a torque on a screw, the tension first. */
export const PreloadFacts = ({ found, engagementMm }: Props) => {
  const { band, thread, propertyClass, stripping, stretch, turn } = found;
  const [low, middle, high] = band.forcesN;
  return (
    <div className="grid gap-3" data-testid="preload">
      <p className="text-2xl leading-10 font-bold">
        {forceWords(low)} to {forceWords(high)}
      </p>
      <p>
        of tension in {thread.designation}, {forceWords(middle)} in the middle: nine of ten screws lie
        between. The friction of a surface is common practice, not measured here; stress area{' '}
        {thread.stressAreaMm2.toPrecision(3)} mm².
      </p>
      {found.isPastProof && band.shareOfProof && (
        <p role="alert" className="rounded-md border-2 border-high p-3 font-bold text-high">
          Where friction is low, this takes a {propertyClass} screw to{' '}
          {percent(band.shareOfProof.atLowFriction)} of its proof strength; past {percent(PROOF_SHARE_MOST)}{' '}
          little is left before it stretches for good. Check class, thread and lubrication against the source.
        </p>
      )}
      {!found.isPastProof && band.shareOfProof && (
        <p>
          It takes {percent(band.shareOfProof.atHighFriction)} to {percent(band.shareOfProof.atLowFriction)}{' '}
          of the proof strength of {propertyClass}, with the twist while it is pulled.
        </p>
      )}
      <WhereItGoes shares={band.shares} />
      {stripping && (
        <p className={stripping.weakest === 'screw' ? '' : 'font-bold text-high'}>
          {strippingWords(stripping, engagementMm)}
        </p>
      )}
      {stretch && (
        <p>
          The middle of it stretches the screw by {stretch.wantedMm.toFixed(3)} mm
          {stretch.measuredN !== null && (
            <>
              ; the stretch you measured is <strong>{forceWords(stretch.measuredN)}</strong>, and a stretch
              says more than a torque
            </>
          )}
          .
        </p>
      )}
      {turn && (
        <p>
          That turn adds about {forceWords(turn.forceN)}, with parts three times as stiff as the screw. Only
          where the source asks for an angle.
        </p>
      )}
    </div>
  );
};
