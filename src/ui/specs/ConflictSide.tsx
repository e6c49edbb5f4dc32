import { displayTorque } from '#core/quantity/display.ts';
import { newtonMetres, type TorqueUnit } from '#core/quantity/unit.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { dayWords } from '#wire/site-time.ts';
import { SOURCE_KIND_WORDS } from '#wire/words/book.ts';
import { requirementWords } from '#wire/words/requirement.ts';

const RESOLUTION = { sourceDigits: 2, graduation: null };

/** One side of a disagreement: a requirement or a row of a table, its target in two units, its source. */
export const ConflictSide = ({
  kept,
  row,
  torque,
  source,
  isChosen,
  site,
}: {
  readonly kept: KeptRequirement;
  readonly row: number | null;
  readonly torque: number | null;
  readonly source: Source | undefined;
  readonly isChosen: boolean;
  readonly site: Site;
}) => {
  const other: TorqueUnit = site.unit === 'N.m' ? 'lbf.in' : 'N.m';
  return (
    <div
      className={`grid content-start gap-1 rounded-md border-2 p-3 ${isChosen ? 'border-in' : 'border-rule'}`}
    >
      <p className="text-xl font-bold">{requirementWords(kept.body.torque.requirement)}</p>
      {torque !== null && (
        <p>
          target {displayTorque(newtonMetres(torque), site.unit, RESOLUTION)} ={' '}
          {displayTorque(newtonMetres(torque), other, RESOLUTION)}
        </p>
      )}
      <p className="text-s">
        <a href={row === null ? `/specs?requirement=${kept.id}` : `/specs/tables/${kept.id}`}>{kept.code}</a>{' '}
        · {source && sourceName(source)}
        {kept.body.place && `, ${kept.body.place}`}
        {source && (
          <span className="text-faint">
            {' '}
            ({SOURCE_KIND_WORDS[source.kind]}
            {source.datedOn && (
              <>
                , <span className="whitespace-nowrap">{dayWords(source.datedOn)}</span>
              </>
            )}
            )
          </span>
        )}
      </p>
      {isChosen && <strong className="text-in">This one governs.</strong>}
    </div>
  );
};
